// The sequence page: keys and the chart move the instant; what is pointed at lights in steps, drawings and chart.
(function () {
  "use strict";
  const $ = (selector) => document.querySelector(selector);

  function go(seconds) {
    const url = `${$("#told").dataset.address}&t=${seconds}`;
    htmx.ajax("GET", url, { target: "#told", swap: "outerHTML" }).then(() => history.pushState({}, "", url));
  }

  document.addEventListener("click", (e) => {
    const chart = e.target.closest && e.target.closest(".chart svg");
    if (!chart) return;
    const box = chart.getBoundingClientRect();
    const x = ((e.clientX - box.left) * chart.viewBox.baseVal.width) / box.width;
    const xs = chart.dataset.xs.split(" ").map(Number);
    const instants = chart.dataset.instants.split(" ").map(Number);
    let best = 0;
    xs.forEach((at, i) => {
      if (Math.abs(at - x) < Math.abs(xs[best] - x)) best = i;
    });
    go(instants[best]);
  });
  document.addEventListener("keydown", (e) => {
    if (e.target.closest("input,select,textarea") || e.ctrlKey || e.metaKey || e.altKey) return;
    const link = { ",": "#told-previous", ".": "#told-next" }[e.key];
    if (link && $(link).getAttribute("href")) {
      e.preventDefault();
      $(link).click();
    }
  });
  document.addEventListener("change", (e) => {
    const form = e.target.closest(".told-form");
    if (form) form.requestSubmit();
  });

  function light(target) {
    document.querySelectorAll("#told .lit").forEach((e) => e.classList.remove("lit"));
    const source = target.closest && target.closest("[data-part],[data-wire]");
    if (!source) return;
    const kind = source.dataset.wire ? "wire" : "part";
    document.querySelectorAll(`#told [data-${kind}="${CSS.escape(source.dataset[kind])}"]`).forEach((e) => {
      if (!e.dataset.terminal) e.classList.add("lit");
    });
  }
  document.addEventListener("pointerover", (e) => light(e.target));
  document.addEventListener("focusin", (e) => light(e.target));
  window.addEventListener("popstate", () => location.reload());

  function show() {
    if (!$("#told")) return;
    window.drawings.showAll();
    const now = $(".steps .now");
    if (now) now.scrollIntoView({ block: "nearest" });
    document.body.dataset.shown = $("#told").dataset.seconds;
  }
  document.addEventListener("htmx:afterSettle", show);
  show();
})();
