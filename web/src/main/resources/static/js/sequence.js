// The sequence page: keys and the chart move the instant; what is pointed at lights in steps, drawings and chart.
(function () {
  "use strict";
  const $ = (selector) => document.querySelector(selector);

  const now = () => $("#told-now").dataset;

  function go(seconds) {
    const url = `${now().address}&t=${seconds}`;
    return htmx.ajax("GET", url, { source: "#told", target: "#told", swap: "none" }).then(() => history.pushState({}, "", url));
  }

  // the change next to a place on the time axis: its place in the plot, its time, and its index
  function changeAt(clientX) {
    const svg = $(".chart-plot svg");
    const box = svg.getBoundingClientRect();
    const view = svg.viewBox.baseVal;
    const x = view.x + ((clientX - box.left) * view.width) / box.width;
    const xs = svg.dataset.xs.split(" ").map(Number);
    let index = 0;
    xs.forEach((at, i) => {
      if (Math.abs(at - x) < Math.abs(xs[index] - x)) index = i;
    });
    return { x: xs[index], left: xs[index] - view.x, index, seconds: svg.dataset.instants.split(" ")[index] };
  }

  const clock = (seconds) => {
    const s = Number(seconds);
    const minutes = Math.floor(s / 60);
    return `${minutes}:${(s - minutes * 60).toFixed(3).padStart(6, "0")}`;
  };

  // what each lane was at a place of the chart, written over its value at the instant shown
  function valuesAt(x) {
    document.querySelectorAll(".chart-names [data-steps], .chart-names [data-points]").forEach((text) => {
      if (text.dataset.shown === undefined) text.dataset.shown = text.textContent;
      const list = (text.dataset.steps || text.dataset.points).split("|").map((s) => {
        const gap = s.indexOf(" ");
        return [Number(s.slice(0, gap)), s.slice(gap + 1)];
      });
      const past = list.filter(([at]) => at <= x + 0.05);
      const value = (past.length ? past[past.length - 1] : list[0])[1];
      text.textContent = value;
    });
  }

  function unhover() {
    const line = $(".chart .hover");
    if (line) line.remove();
    document.querySelectorAll(".chart-names [data-shown]").forEach((text) => (text.textContent = text.dataset.shown));
  }

  let held = false;
  document.addEventListener("pointermove", (e) => {
    const plot = e.target.closest && e.target.closest(".chart-plot");
    if (!plot) {
      if ($(".chart .hover")) unhover();
      return;
    }
    const change = changeAt(e.clientX);
    const line = $(".chart .hover") || plot.appendChild(document.createElement("div"));
    line.className = "hover";
    line.style.setProperty("left", `${change.left}px`);
    line.innerHTML = "";
    line.appendChild(document.createElement("b")).textContent = clock(change.seconds);
    valuesAt(change.x);
    if (held && e.buttons === 1) move(change.seconds);
  });

  // while the pointer is held down, one request at a time; the last place wins
  let moving = null;
  let wanted = null;
  function move(seconds) {
    wanted = seconds;
    if (moving || wanted === now().seconds) return;
    moving = go(wanted).then(() => {
      moving = null;
      if (wanted !== null && wanted !== now().seconds) move(wanted);
    });
  }
  document.addEventListener("pointerdown", (e) => {
    held = Boolean(e.target.closest && e.target.closest(".chart-plot"));
    if (held) move(changeAt(e.clientX).seconds);
  });
  document.addEventListener("pointerup", () => (held = false));

  function step(by) {
    const instants = $(".chart-plot svg").dataset.instants.split(" ");
    const at = Number(now().seconds);
    const next = by > 0 ? instants.find((t) => Number(t) > at) : instants.filter((t) => Number(t) < at).pop();
    if (next !== undefined) go(next);
  }

  document.addEventListener("keydown", (e) => {
    if (e.target.closest("input,select,textarea") || e.ctrlKey || e.metaKey || e.altKey) return;
    const link = { ",": "#told-previous", ".": "#told-next", "+": "#chart-closer", "-": "#chart-farther" }[e.key];
    if (link && $(link).getAttribute("href")) {
      e.preventDefault();
      $(link).click();
      return;
    }
    if (!e.target.closest(".chart")) return;
    const instants = $(".chart-plot svg").dataset.instants.split(" ");
    const act = {
      ArrowLeft: () => step(-1),
      ArrowRight: () => step(1),
      Home: () => go(instants[0]),
      End: () => go(instants[instants.length - 1]),
    }[e.key];
    if (act) {
      e.preventDefault();
      act();
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

  // what has been saved needs no draft any more
  const saved = new URLSearchParams(location.search).get("saved");
  if (saved) {
    localStorage.removeItem(`scenario/${saved}`);
    const url = new URL(location.href);
    url.searchParams.delete("saved");
    history.replaceState({}, "", url);
  }

  let focusChart = false;
  document.addEventListener("htmx:beforeSwap", () => (focusChart = document.activeElement === $(".chart")));
  function show() {
    window.drawingsCome.show(JSON.parse($("#marks").textContent));
    const step = $(".steps .now") || $(".steps .told-group h2.now");
    if (step) step.scrollIntoView({ block: "nearest" });
    const chart = $(".chart");
    const cursor = $(".chart-plot .cursor");
    if (chart && cursor) {
      const at = cursor.getBBox().x - $(".chart-plot svg").viewBox.baseVal.x;
      const width = chart.clientWidth - $(".chart-names").offsetWidth;
      if (at < chart.scrollLeft + 20 || at > chart.scrollLeft + width - 20) chart.scrollLeft = at - width / 2;
    }
    if (focusChart && chart) chart.focus();
    document.body.dataset.shown = now().seconds;
  }
  document.addEventListener("htmx:afterRequest", (e) => e.detail.successful && show());
  show();
})();
