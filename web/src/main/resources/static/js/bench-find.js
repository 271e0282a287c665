// Find on the bench: a part, terminal, wire number or function; the chosen one lights in both drawings and comes into sight.
(function () {
  "use strict";
  const MOST = 12;
  const dialog = document.querySelector("#find");
  const input = document.querySelector("#find-text");
  const list = document.querySelector("#found");
  let chosen = 0;
  // Enter was pressed before there was anything to find
  let takesFirst = false;

  function matches(words) {
    const facts = window.bench.facts();
    const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
    const found = [];
    for (const [key, text] of Object.entries(facts)) {
      const name = key.slice(key.indexOf(":") + 1).toLowerCase();
      const all = `${key.startsWith("net:") ? "wire " : ""}${name} ${text.toLowerCase()}`;
      if (wanted.every((w) => all.includes(w))) {
        const rank = name === words.toLowerCase() ? 0 : name.startsWith(words.toLowerCase()) ? 1 : key.startsWith("part:") ? 2 : 3;
        found.push({ key, text, rank });
      }
    }
    return found.sort((a, b) => a.rank - b.rank || a.key.length - b.key.length).slice(0, MOST);
  }

  function show() {
    const found = input.value.trim() ? matches(input.value.trim()) : [];
    chosen = Math.max(0, Math.min(chosen, found.length - 1));
    list.replaceChildren(
      ...found.map((f, i) => {
        const item = document.createElement("li");
        item.setAttribute("role", "option");
        item.setAttribute("aria-selected", String(i === chosen));
        item.id = `found-${i}`;
        item.dataset.key = f.key;
        item.textContent = f.text;
        return item;
      }),
    );
    if (!found.length && input.value.trim()) {
      const none = document.createElement("li");
      none.textContent = "Nothing of that name in this circuit.";
      list.append(none);
    }
    if (found.length) input.setAttribute("aria-activedescendant", `found-${chosen}`);
  }

  function take() {
    const item = list.querySelector(`#found-${chosen}`);
    takesFirst = !item && !Object.keys(window.bench.facts()).length;
    if (!item) return;
    dialog.close();
    window.bench.pin(item.dataset.key);
  }

  document.addEventListener("keydown", (e) => {
    if (e.key === "/" && !e.target.closest("input,select,textarea") && !e.ctrlKey && !e.metaKey && !e.altKey) {
      e.preventDefault();
      chosen = 0;
      dialog.showModal();
      input.select();
      show();
    }
  });
  input.addEventListener("input", () => {
    chosen = 0;
    show();
  });
  input.addEventListener("keydown", (e) => {
    const step = { ArrowDown: 1, ArrowUp: -1 }[e.key];
    if (step) {
      e.preventDefault();
      chosen += step;
      show();
    } else if (e.key === "Enter") {
      e.preventDefault();
      take();
    }
  });
  document.addEventListener("bench:facts", () => {
    if (!dialog.open) return;
    show();
    if (takesFirst) take();
  });
  list.addEventListener("click", (e) => {
    const item = e.target.closest("[data-key]");
    if (!item) return;
    chosen = [...list.children].indexOf(item);
    take();
  });
})();
