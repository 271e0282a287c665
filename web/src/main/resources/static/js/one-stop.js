// What stands together is one stop of Tab: arrows go from one thing in it to the next, and the one left last is the one that Tab comes back to.
// Elements of class "one-stop"; what is swapped in is taken in, too.
(function () {
  "use strict";
  const THINGS = "a[href],button,input:not([type=hidden]),select,textarea,summary,[tabindex]";
  const last = new Map();

  const things = (group) => [...group.querySelectorAll(THINGS)].filter((e) => !e.disabled);
  const nameOf = (group) => group.dataset.oneStop;
  const keyOf = (e) => e.id || `${e.tagName} ${e.getAttribute("name")} ${e.getAttribute("aria-label")} ${e.textContent}`;

  function settle(group) {
    const all = things(group);
    const kept = last.get(nameOf(group));
    const one = all.find((e) => e === document.activeElement) || all.find((e) => keyOf(e) === kept) || all.find((e) => !e.closest("[hidden],details:not([open])")) || all[0];
    all.forEach((e) => {
      const want = e === one ? "0" : "-1";
      if (e.getAttribute("tabindex") !== want) e.setAttribute("tabindex", want);
    });
  }
  const settleAll = () => document.querySelectorAll(".one-stop").forEach(settle);

  document.addEventListener("focusin", (e) => {
    const group = e.target.closest && e.target.closest(".one-stop");
    if (!group || !e.target.matches(THINGS)) return;
    last.set(nameOf(group), keyOf(e.target));
    settle(group);
    if (e.target.matches("input")) e.target.dataset.cameWith = e.target.value;
  });

  // a half-typed text keeps its arrows, for what is offered under it, and so does a list of choices that is open
  function keepsItsKeys(e) {
    const field = e.target;
    const aside = e.key === "ArrowLeft" || e.key === "ArrowRight";
    if (field.getAttribute("role") === "combobox") return field.getAttribute("aria-expanded") === "true" || aside;
    if (field.matches("select")) return aside;
    return field.matches("input:not([type=checkbox]):not([type=radio])") && (aside || field.value !== field.dataset.cameWith);
  }

  document.addEventListener("keydown", (e) => {
    const step = { ArrowUp: -1, ArrowLeft: -1, ArrowDown: 1, ArrowRight: 1 }[e.key];
    const group = step && e.target.closest && e.target.closest(".one-stop");
    if (!group || e.defaultPrevented || e.ctrlKey || e.metaKey || e.altKey || e.shiftKey || keepsItsKeys(e)) return;
    const all = things(group).filter((x) => x === e.target || x.getClientRects().length);
    const next = all[all.indexOf(e.target) + step];
    e.preventDefault();
    e.stopImmediatePropagation();
    if (next) next.focus();
  });

  new MutationObserver(settleAll).observe(document.body, { childList: true, subtree: true });
  settleAll();
})();
