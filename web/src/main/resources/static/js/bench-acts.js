// Acts of the bench take their turns.
(function () {
  "use strict";

  // what is done while the server still answers waits for the new state

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

  window.acts = { underWay: () => busy };

  function free() {
    busy = false;
    const next = waiting.shift();
    if (next) next();
  }
  // once the request that is being answered is over: its form could not send another one within it
  document.addEventListener("bench:shown", () => setTimeout(free));

  // what was typed stays until it is done
  document.addEventListener("htmx:afterRequest", (e) => {
    if (e.detail.successful && e.detail.elt.id === "put-form") e.detail.elt.reset();
  });
})();
