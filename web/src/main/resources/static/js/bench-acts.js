// Acts of the bench take their turns, and what is half typed stays.
(function () {
  "use strict";
  const $ = (selector) => document.querySelector(selector);

  // ---- one act after the other: what is done while the server still answers waits for the new state

  let busy = false;
  const waiting = [];

  function later(e) {
    const element = e.target.closest && e.target.closest("[hx-post]");
    if (!busy || !element || !element.id) return;
    const again = element.tagName === "FORM" ? formAgain(element, e) : controlAgain(element, e);
    if (!again) return;
    e.preventDefault();
    e.stopImmediatePropagation();
    waiting.push(() => {
      const there = document.getElementById(element.id);
      if (there) again(there);
    });
  }

  function controlAgain(element, e) {
    const { value } = e.target;
    if (e.type !== "change") return (control) => control.click();
    return (control) => {
      control.value = value;
      control.dispatchEvent(new Event("change", { bubbles: true }));
    };
  }

  // a form goes off when it is submitted, or when a choice in it changes, if it says so
  function formAgain(element, e) {
    const goes = e.type === "submit" || (e.type === "change" && e.target.matches("select,[type=checkbox]") && element.getAttribute("hx-trigger").includes("change"));
    if (!goes) return null;
    const typed = new FormData(element);
    return (form) => {
      [...form.elements].filter((field) => field.name).forEach((field) => {
        if (field.type === "checkbox") field.checked = typed.has(field.name);
        else if (typed.has(field.name)) field.value = typed.get(field.name);
      });
      htmx.trigger(form, "submit");
    };
  }

  document.addEventListener("click", later, true);
  document.addEventListener("change", later, true);
  document.addEventListener("submit", later, true);
  document.addEventListener("htmx:beforeRequest", () => (busy = true));
  document.addEventListener("htmx:afterRequest", (e) => {
    if (!e.detail.successful) free();
  });

  function free() {
    busy = false;
    const next = waiting.shift();
    if (next) next();
  }
  document.addEventListener("htmx:afterSettle", free);

  // ---- the form for links and wires: open it stays open, and what is half typed outlives an act elsewhere

  let half = null;
  document.addEventListener("htmx:beforeSwap", (e) => {
    const form = $("#put-form");
    if (!form) return;
    const done = e.detail.requestConfig.elt === form;
    const inside = form.contains(document.activeElement) ? document.activeElement.name : null;
    half = { open: $("#put").open, typed: done ? [] : [...new FormData(form)], inside };
  });
  document.addEventListener("htmx:afterSettle", () => {
    const form = $("#put-form");
    if (!form || !half) return;
    $("#put").open = half.open;
    half.typed.forEach(([name, text]) => (form.elements.namedItem(name).value = text));
    if (half.inside) form.elements.namedItem(half.inside).focus({ preventScroll: true });
    half = null;
  });
})();
