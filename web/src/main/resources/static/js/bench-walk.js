// Walk on the bench: from the hot pole through every terminal to a load and back, both drawings moving together.
(function () {
  "use strict";
  let walk = null;
  let at = 0;

  const box = () => document.querySelector("#walk");

  async function begin(load, keepStop) {
    const w = document.querySelector("#now").dataset;
    const response = await window.patient(`/bench/${w.bench}/walk?s=${w.state}&t=${w.seconds}&load=${encodeURIComponent(load)}`).catch(() => null);
    if (!response || !response.ok) return;
    walk = await response.json();
    at = keepStop ? Math.min(at, Math.max(0, walk.stops.length - 1)) : 0;
    show();
  }

  function end() {
    walk = null;
    box().hidden = true;
    document.querySelector("#inspector").hidden = false;
    document.querySelector("#walk-load").value = "";
    window.bench.pin(null);
  }

  function step(by) {
    at = Math.max(0, Math.min(walk.stops.length - 1, at + by));
    show();
  }

  function span(text, css) {
    const e = document.createElement("span");
    e.textContent = text;
    if (css) e.className = css;
    return e;
  }

  function button(text, label, act, off) {
    const b = document.createElement("button");
    b.type = "button";
    b.className = "quiet";
    b.textContent = text;
    b.setAttribute("aria-label", label);
    b.disabled = off;
    b.addEventListener("click", act);
    return b;
  }

  function show() {
    document.querySelector("#inspector").hidden = true;
    document.querySelector("#walk-load").value = walk.load;
    const e = box();
    e.hidden = false;
    if (!walk.stops.length) {
      e.replaceChildren(span(`No supply reaches both ends of ${walk.title} in this circuit.`), button("end", "End the walk", end, false));
      return;
    }
    const stop = walk.stops[at];
    e.replaceChildren(
      button("◀", "Stop before", () => step(-1), at === 0),
      span(`${at + 1}/${walk.stops.length}`, "count"),
      button("▶", "Next stop", () => step(1), at === walk.stops.length - 1),
      span(stop.terminal, "stop"),
      span(stop.load ? `through the load ${stop.by}` : at === 0 ? stop.by : `through ${stop.by}${stop.made ? "" : ", open now"}`, stop.made ? "" : "open"),
      span(`${walk.across ? `${walk.source.split(" to ")[0]} to here` : `here to ${walk.source.split(" to ")[1]}`}: expect ${stop.expected}`, "expect"),
      stop.now === stop.expected ? span("") : span(`reads ${stop.now}`, stop.off ? "off" : "reads"),
      button("end", "End the walk", end, false),
    );
    window.bench.pin(`terminal:${stop.terminal}`, stop.wire ? `wire:${stop.wire}` : stop.part ? `part:${stop.part}` : null);
  }

  document.addEventListener("change", (e) => {
    if (e.target.id === "walk-load") {
      if (e.target.value) begin(e.target.value, false);
      else if (walk) end();
      e.target.blur();
    }
  });
  document.addEventListener(
    "keydown",
    (e) => {
      if (e.target.closest("input,textarea,dialog") || e.ctrlKey || e.metaKey || e.altKey) return;
      if (e.target.closest("select") && e.target.id !== "walk-load") return;
      if (e.key === "w" && !e.target.closest("select")) {
        e.preventDefault();
        const part = window.bench.pointedPart();
        const select = document.querySelector("#walk-load");
        const load = part && [...select.options].find((o) => o.value.startsWith(`${part}:`));
        if (load) begin(load.value, false);
        else select.focus();
        return;
      }
      if (!walk || e.target.closest("select")) return;
      if (e.key === "ArrowRight" || e.key === "ArrowLeft") {
        e.preventDefault();
        e.stopPropagation();
        step(e.key === "ArrowRight" ? 1 : -1);
      } else if (e.key === "Escape") {
        end();
      }
    },
    true,
  );
  document.addEventListener("bench:shown", () => {
    if (walk) begin(walk.load, true);
  });
})();
