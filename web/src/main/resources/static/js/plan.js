// A choice plans anew at once; what is typed waits for Enter, so that several fields can be filled in first. The page
// comes anew each time: the hand stays at its field.
(function () {
  "use strict";
  const KEPT = "planner-field";
  document.addEventListener("DOMContentLoaded", () => {
    const form = document.getElementById("ask");
    const kept = sessionStorage.getItem(KEPT);
    sessionStorage.removeItem(KEPT);
    const again = kept && [...form.elements].find((e) => `${e.name}=${e.type === "checkbox" ? e.value : ""}` === kept);
    if (again) again.focus({ preventScroll: false });
    const keep = (field) => sessionStorage.setItem(KEPT, `${field.name}=${field.type === "checkbox" ? field.value : ""}`);
    form.addEventListener("submit", () => {
      if (form.contains(document.activeElement) && document.activeElement.name) keep(document.activeElement);
    });
    form.addEventListener("change", (e) => {
      if (e.target.tagName !== "SELECT" && e.target.type !== "checkbox") return;
      form.requestSubmit();
      keep(e.target);
    });
  });
})();
