// An answer's pieces take the places of those with their ids. The trace's rows and the meter's leads that stay as they are stay
// where they are, with the focus and what is laid out: making them anew takes the browser longer than all else of an act.
(function () {
  "use strict";
  const LIST = "events";
  const STAYS = `#${LIST},#leads`;

  // a row as the server made it
  const made = (row) => [row.dataset.part, row.innerHTML.replace(/ tabindex="-?\d"/g, "")].join(" ");

  function rows(list, fresh) {
    const there = new Map();
    const ahead = new Set(list.children);
    ahead.forEach((row) => there.set(made(row), [...(there.get(made(row)) || []), row]));
    let at = list.firstElementChild;
    const pass = () => {
      const passed = at;
      ahead.delete(passed);
      at = passed.nextElementSibling;
      return passed;
    };
    [...fresh.children].forEach((row) => {
      const stays = (there.get(made(row)) || []).find((r) => ahead.has(r));
      if (!stays) {
        list.insertBefore(row, at);
        return;
      }
      while (at !== stays) pass().remove();
      pass().className = row.className;
    });
    while (at) pass().remove();
  }

  // a form as it stands, with what was typed and chosen
  const standing = (form) => [form.outerHTML.replace(/ (tabindex|data-came-with)="[^"]*"/g, ""), ...[...form.elements].flatMap((field) => [field.value, field.checked])].join("|");

  function staying(old, fresh) {
    if (old.id === LIST) rows(old, fresh);
    else if (standing(old) !== standing(fresh)) replace(old, fresh);
  }

  function replace(old, fresh) {
    old.replaceWith(fresh);
    if (fresh.matches("[hx-post]") || fresh.querySelector("[hx-post]")) htmx.process(fresh);
  }

  // all around what stays comes anew
  function around(old, fresh) {
    if (old.matches(STAYS)) {
      staying(old, fresh);
      return;
    }
    const holder = (e) => [...e.children].find((c) => c.matches(STAYS) || c.querySelector(STAYS));
    const stays = holder(old);
    const instead = holder(fresh);
    [...old.childNodes].filter((n) => n !== stays).forEach((n) => n.remove());
    const all = [...fresh.childNodes];
    const i = all.indexOf(instead);
    stays.before(...all.slice(0, i));
    stays.after(...all.slice(i + 1));
    around(stays, instead);
  }

  function put(html) {
    const pieces = document.createElement("template");
    pieces.innerHTML = html;
    const focused = document.activeElement.id;
    [...pieces.content.children].forEach((piece) => {
      const there = document.getElementById(piece.id);
      if ([there, piece].every((e) => e.querySelector(STAYS))) around(there, piece);
      else replace(there, piece);
    });
    if (focused && document.activeElement.id !== focused && document.getElementById(focused)) document.getElementById(focused).focus({ preventScroll: true });
  }

  window.pieces = { put };
})();
