// Drawings come after their page, each by itself, and stand: of what changes only the marks come, and only what is marked
// otherwise than before is touched.
(function () {
  "use strict";
  const ports = [...document.querySelectorAll("[data-drawing]")];
  let marks = null;

  const tokens = (css) => css.split(" ").filter(Boolean);

  // what of a drawing can be marked: the ladder's pieces in their order, those of the connections by their names
  function pieces(port) {
    const svg = port.querySelector("svg");
    if (port.dataset.drawing === "ladder") {
      const list = [...svg.children];
      const ladder = ["line", "dot", "symbol"].flatMap((css) => list.filter((e) => e.classList.contains(css)));
      return () => ladder.map((e, i) => [e, marks.ladder[i]]);
    }
    const named = (css, key) => [...svg.children].filter((e) => e.classList.contains(css)).map((e) => [e, e.dataset[key]]);
    const parts = named("part", "part");
    const wires = named("wire", "wire");
    const posts = named("post", "terminal");
    return () => [...parts.map(([e, id]) => [e, marks.parts[id]]), ...wires.map(([e, id]) => [e, marks.wires[id]]), ...posts.map(([e, id]) => [e, marks.posts[id]])];
  }

  function put(element, mark, key) {
    if (element.shownMark === key) return;
    const [css, signal, side, glyph] = mark;
    const before = element.shownCss || element.getAttribute("class").replace(" in-tray", "");
    element.classList.remove(...tokens(before));
    element.classList.add(...tokens(css));
    const title = element.querySelector(":scope > title");
    if (title) {
      element.atRest = element.atRest || title.textContent;
      title.textContent = element.atRest + (signal && !element.classList.contains("absent") ? `, ${signal}` : "");
      if (element.shownMark && element.dataset.signal !== signal) pulse(element);
      if (signal) element.dataset.signal = signal;
      else delete element.dataset.signal;
    }
    if (glyph) {
      const inside = element.querySelector(":scope > .left");
      inside.setAttribute("class", side);
      if (element.shownGlyph !== glyph) inside.innerHTML = glyph;
      element.shownGlyph = glyph;
    }
    element.shownCss = css;
    element.shownMark = key;
  }

  // what changed its state lights up for a moment: painted with its new state and once more without the light, for each
  // painting of a large drawing is in the way of the next act
  const PULSE_MS = 500;
  let pulsing = [];
  let pulseEnds = 0;
  function pulse(element) {
    element.classList.add("pulse");
    pulsing.push(element);
    clearTimeout(pulseEnds);
    pulseEnds = setTimeout(endPulse, PULSE_MS);
  }
  function endPulse() {
    pulsing.forEach((element) => element.classList.remove("pulse"));
    pulsing = [];
  }

  function mark(port) {
    if (!port.pieces || !marks) return;
    const keys = marks.kinds.map((kind) => kind.join("\u0001"));
    port.pieces().forEach(([element, i]) => {
      if (i !== undefined) put(element, marks.kinds[i], keys[i]);
    });
  }

  // fetches the drawing that a pane is for; of several that are on their way, the one asked for last is shown
  async function come(port) {
    const from = port.dataset.from;
    port.setAttribute("aria-busy", "true");
    let svg;
    try {
      const answer = await window.patient(from, {}, (seconds) => waiting(port, from, seconds));
      if (!answer.ok) throw new Error(await window.refusal(answer));
      svg = await answer.text();
    } catch (e) {
      if (port.dataset.from === from) missing(port, e.message);
      return;
    }
    if (port.dataset.from !== from) return;
    const focused = port.contains(document.activeElement) && { ...document.activeElement.dataset };
    port.innerHTML = svg;
    port.shownFrom = from;
    port.removeAttribute("aria-busy");
    port.pieces = pieces(port);
    mark(port);
    window.drawings.show(port);
    port.dispatchEvent(new CustomEvent("drawing:came", { bubbles: true }));
    if (focused) refocus(port, focused);
  }

  // what had the focus in the drawing before has it in the new one
  function refocus(port, data) {
    const key = ["terminal", "wire", "part", "place"].find((k) => data[k]);
    const again = key && port.querySelector(`[data-${key}="${CSS.escape(data[key])}"][tabindex]`);
    (again || port).focus();
  }

  function waiting(port, from, seconds) {
    const words = port.querySelector(".drawing-wait");
    if (words && port.dataset.from === from) words.textContent = `The drawing is being laid out: ${seconds} s so far …`;
  }

  function missing(port, why) {
    const words = document.createElement("p");
    words.className = "notice";
    words.setAttribute("role", "alert");
    words.textContent = `The drawing doesn't come: ${why}. Load the page again.`;
    port.prepend(words);
    port.removeAttribute("aria-busy");
  }

  // fetches what a pane shows from somewhere else now; what it showed stays until then
  function comeFrom(port, from) {
    if (port.dataset.from === from && port.shownFrom === from) return;
    port.dataset.from = from;
    if (!port.hidden) come(port);
  }

  function show(latest) {
    endPulse();
    marks = latest;
    ports.forEach(mark);
  }

  window.drawingsCome = { show, comeFrom };
  // what is hidden comes when it is shown
  ports.filter((port) => !port.hidden).forEach(come);
})();
