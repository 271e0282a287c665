// A search field with a list of what fits under it: arrows choose, Enter or a click takes.
(function () {
  "use strict";

  /**
   * matches(words) gives what fits as {key, text, group}; take(key) is called with what was chosen.
   * Where `closes` is set, the list is open only while somebody looks for something.
   */
  window.chooser = function ({ input, list, matches, take, none, closes }) {
    let chosen = 0;
    const optionId = (i) => `${list.id}-${i}`;

    function show() {
      const found = matches(input.value.trim());
      chosen = Math.max(0, Math.min(chosen, found.length - 1));
      list.replaceChildren(...found.flatMap((f, i) => [...heading(f, found[i - 1]), option(f, i)]));
      if (!found.length && input.value.trim()) list.append(item("li", none));
      if (found.length) input.setAttribute("aria-activedescendant", optionId(chosen));
      else input.removeAttribute("aria-activedescendant");
      if (closes) open(true);
      const at = document.getElementById(optionId(chosen));
      if (at) at.scrollIntoView({ block: "nearest" });
    }

    function heading(f, before) {
      if (!f.group || (before && before.group === f.group)) return [];
      const title = item("li", f.group);
      title.className = "group";
      title.setAttribute("role", "presentation");
      return [title];
    }

    function option(f, i) {
      const e = item("li", f.text);
      e.setAttribute("role", "option");
      e.setAttribute("aria-selected", String(i === chosen));
      e.id = optionId(i);
      e.dataset.key = f.key;
      return e;
    }

    function item(tag, text) {
      const e = document.createElement(tag);
      e.textContent = text;
      return e;
    }

    function open(is) {
      list.hidden = !is;
      if (is) list.scrollIntoView({ block: "nearest" });
      input.setAttribute("aria-expanded", String(is));
    }

    // a press elsewhere lands where it was aimed: what stands around the list moves when it goes
    function closeWhenLeft() {
      let pressed = false;
      const left = () => document.activeElement !== input && open(false);
      const over = () => {
        pressed = false;
        if (!list.hidden) setTimeout(left);
      };
      document.addEventListener("pointerdown", () => (pressed = true), true);
      document.addEventListener("pointerup", over, true);
      document.addEventListener("pointercancel", over, true);
      input.addEventListener("blur", () => pressed || open(false));
    }

    /** Takes what is chosen; false where there is nothing to take. */
    function takeChosen() {
      const at = document.getElementById(optionId(chosen));
      if (!at) return false;
      if (closes) open(false);
      take(at.dataset.key);
      return true;
    }

    input.addEventListener("input", () => {
      chosen = 0;
      show();
    });
    input.addEventListener("keydown", (e) => {
      const step = { ArrowDown: 1, ArrowUp: -1 }[e.key];
      if (step) {
        e.preventDefault();
        if (!closes || !list.hidden) chosen += step;
        show();
      } else if (e.key === "Enter") {
        e.preventDefault();
        takeChosen();
      } else if (e.key === "Escape" && closes) {
        open(false);
      }
    });
    list.addEventListener("mousedown", (e) => e.preventDefault());
    list.addEventListener("click", (e) => {
      const at = e.target.closest("[data-key]");
      if (!at) return;
      chosen = [...list.querySelectorAll("[data-key]")].indexOf(at);
      takeChosen();
    });
    if (closes) {
      input.addEventListener("focus", show);
      input.addEventListener("click", show);
      closeWhenLeft();
    }
    return {
      show,
      takeChosen,
      first: () => (chosen = 0),
    };
  };
})();
