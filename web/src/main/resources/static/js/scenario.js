// The scenario editor: sentences come and go, what is wrong stands beside its sentence, an unsaved draft stays here.
(function () {
  "use strict";
  const $ = (selector) => document.querySelector(selector);
  const form = $("#scenario");
  const key = `scenario/${form.dataset.draft}`;

  // rows are numbered in their order, so that a mistake's path tells its sentence
  function number() {
    for (const kind of ["acts", "defects"]) {
      document.querySelectorAll(`#${kind} .sentence`).forEach((row, i) => {
        row.querySelectorAll("[name]").forEach((e) => (e.name = e.name.replace(/-\w+-/, `-${i}-`)));
        row.querySelector(".mistake").dataset.for = `/${kind}/${i}`;
      });
    }
  }

  // the words that a value can be follow from what is set
  function hint(row) {
    const what = row.querySelector(".what");
    if (!what) return;
    const value = row.querySelector(".value");
    const list = document.getElementById(`values-${what.value}`);
    if (list) value.setAttribute("list", list.id);
    else value.removeAttribute("list");
    const chosen = what.selectedOptions[0];
    value.placeholder = (chosen && chosen.dataset.hint) || "";
    value.dataset.unit = value.placeholder.replace(/^[-−0-9.]*\s*/, "");
  }

  function add(kind) {
    const row = $(`#new-${kind}`).content.firstElementChild.cloneNode(true);
    $(`#${kind}`).appendChild(row);
    number();
    return row;
  }

  function changed() {
    number();
    form.dispatchEvent(new Event("change", { bubbles: true }));
  }

  document.addEventListener("click", (e) => {
    const kind = e.target.dataset && e.target.dataset.add;
    if (kind) {
      const row = add(kind);
      (row.querySelector(".time") || row.querySelector("select")).focus();
    }
    if (e.target.closest && e.target.closest("[data-drop]")) {
      e.target.closest(".sentence").remove();
      changed();
    }
    if (e.target.id === "draft-drop") {
      localStorage.removeItem(key);
      location.reload();
    }
  });

  // drafts
  const fields = () => [...new FormData(form)].filter(([name]) => name !== "base" && name !== "old" && name !== "_csrf");
  const asSent = JSON.stringify(fields());
  function keep() {
    const now = JSON.stringify(fields());
    if (now === asSent) localStorage.removeItem(key);
    else localStorage.setItem(key, now);
  }
  function restore(entries) {
    for (const kind of ["acts", "defects"]) {
      $(`#${kind}`).textContent = "";
      const rows = new Set(entries.map(([n]) => n).filter((n) => n.startsWith(`${kind}-`)).map((n) => n.split("-")[1]));
      rows.forEach(() => add(kind));
    }
    entries.forEach(([name, value]) => {
      const field = form.elements[name];
      if (field) field.value = value;
    });
    // a number without a unit was kept in the usual one
    document.querySelectorAll(".sentence").forEach(hint);
    entries.forEach(([name, value]) => {
      const field = form.elements[name];
      if (field && field.dataset && window.units.BARE.test(value)) field.value = window.units.shown(field, value);
    });
    $("#draft-note").hidden = false;
  }

  form.addEventListener("input", (e) => {
    const row = e.target.closest(".sentence");
    if (row) hint(row);
    keep();
  });
  form.addEventListener("change", keep);

  function mistakes() {
    form.querySelectorAll(".mistake").forEach((m) => (m.textContent = ""));
    form.querySelectorAll("[aria-invalid]").forEach((f) => f.removeAttribute("aria-invalid"));
    document.querySelectorAll("#preview [data-path]").forEach((p) => {
      const path = p.dataset.path.split("/");
      const row = path.length > 3 ? path.slice(0, 3).join("/") : p.dataset.path;
      const beside = form.querySelector(`.mistake[data-for="${CSS.escape(row)}"]`);
      const field = form.elements[p.dataset.path.slice(1).replaceAll("/", "-")];
      if (field && field.setAttribute) field.setAttribute("aria-invalid", "true");
      if (beside) {
        beside.textContent = p.textContent;
        p.hidden = true;
      }
    });
    document.body.dataset.previewed = String(Number(document.body.dataset.previewed || 0) + 1);
  }
  document.addEventListener("htmx:afterSettle", mistakes);

  const draft = localStorage.getItem(key);
  if (draft && draft !== asSent && !document.querySelector("#preview [data-path]")) {
    restore(JSON.parse(draft));
    number();
    document.addEventListener("DOMContentLoaded", () => changed());
    if (window.htmx) changed();
  }
  document.querySelectorAll(".sentence").forEach(hint);
  mistakes();
})();
