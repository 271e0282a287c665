// Zoom and pan of the drawings, which may still be on their way: an element of class "viewport" shows a part of its svg, which is kept by name while
// the page lives, so that a redrawn svg is seen as the one before it. The svg as a whole is scaled and shifted: nothing in it is laid out anew for that.
(function () {
  "use strict";
  const kept = {};
  const STEP = 1.25;
  const MOST = 6;

  const svgOf = (port) => port.querySelector("svg");

  function size(svg) {
    const { width, height } = svg.viewBox.baseVal;
    return [width, height];
  }

  // pixels of the pane for one unit of the drawing
  function scale(port, view) {
    return Math.min(port.clientWidth / view.width, port.clientHeight / view.height);
  }

  function whole(port) {
    const [width, height] = size(svgOf(port));
    return { x: 0, y: 0, width, height };
  }

  // the first look: as wide as the pane, but not so small that letters can't be read: the least are of 10 pixels at scale 1;
  // or, where wires are drawn by hand from one end to the other, as much of the whole as can just be read
  function firstLook(port) {
    const full = whole(port);
    const s = port.dataset.firstLook === "whole" ? Math.min(1.15, Math.max(0.72, scale(port, full))) : Math.min(1.15, Math.max(1, port.clientWidth / full.width));
    return { x: 0, y: 0, width: port.clientWidth / s, height: port.clientHeight / s };
  }

  function apply(port, view) {
    const svg = svgOf(port);
    if (!svg || !port.clientWidth) return;
    kept[port.dataset.viewName] = view;
    const s = scale(port, view);
    svg.style.transform = `scale(${s}) translate(${-view.x}px, ${-view.y}px)`;
    port.dataset.seen = [view.x, view.y, view.width, view.height].map((n) => n.toFixed(2)).join(" ");
    port.dataset.scale = s.toFixed(3);
    port.shownScale = s;
  }

  // a pane that its neighbours leave more or less room shows more or less, as large as before
  const rooms = new ResizeObserver((changes) =>
    changes.forEach(({ target: port }) => {
      const s = port.shownScale;
      if (s && svgOf(port)) apply(port, { ...view(port), width: port.clientWidth / s, height: port.clientHeight / s });
    }),
  );

  function view(port) {
    return kept[port.dataset.viewName] || firstLook(port);
  }

  function show(port) {
    const svg = svgOf(port);
    if (!svg || !port.clientWidth) return;
    const old = kept[port.dataset.viewName];
    // the pane may have changed its shape since
    if (old) {
      const s = scale(port, old);
      apply(port, { x: old.x, y: old.y, width: port.clientWidth / s, height: port.clientHeight / s });
    } else {
      apply(port, firstLook(port));
    }
  }

  function showAll() {
    document.querySelectorAll(".viewport").forEach((port) => !port.hidden && show(port));
  }

  // (px, py) of the pane keeps its place
  function zoom(port, factor, px, py) {
    if (!svgOf(port)) return;
    const v = view(port);
    const s = scale(port, v);
    const [w, h] = size(svgOf(port));
    const least = Math.min(0.2, port.clientWidth / w, port.clientHeight / h);
    const to = Math.min(MOST, Math.max(least, s * factor));
    const x = v.x + px / s - px / to;
    const y = v.y + py / s - py / to;
    apply(port, { x, y, width: port.clientWidth / to, height: port.clientHeight / to });
  }

  function pan(port, dx, dy) {
    if (!svgOf(port)) return;
    const v = view(port);
    const s = scale(port, v);
    const [w, h] = size(svgOf(port));
    const clamp = (at, shown, all) => Math.min(Math.max(at, -shown * 0.7), all - shown * 0.3);
    apply(port, { ...v, x: clamp(v.x + dx / s, v.width, w), y: clamp(v.y + dy / s, v.height, h) });
  }

  function fit(port) {
    if (!svgOf(port)) return;
    const full = whole(port);
    const s = scale(port, full);
    const width = port.clientWidth / s;
    const height = port.clientHeight / s;
    apply(port, { x: (full.width - width) / 2, y: Math.min(0, (full.height - height) / 2), width, height });
  }

  function isInSight(element) {
    const box = element.getBoundingClientRect();
    const pane = element.closest(".viewport").getBoundingClientRect();
    return box.left >= pane.left && box.right <= pane.right && box.top >= pane.top && box.bottom <= pane.bottom;
  }

  // brings an element of the drawing into sight, without a jump where it is in sight already
  function reveal(element) {
    const port = element.closest(".viewport");
    if (!port || !port.clientWidth) return;
    const box = element.getBoundingClientRect();
    const pane = port.getBoundingClientRect();
    const dx = box.left < pane.left + 20 || box.right > pane.right - 20 ? box.left + box.width / 2 - pane.left - pane.width / 2 : 0;
    const dy = box.top < pane.top + 20 || box.bottom > pane.bottom - 20 ? box.top + box.height / 2 - pane.top - pane.height / 2 : 0;
    if (dx || dy) pan(port, dx, dy);
  }

  document.addEventListener(
    "wheel",
    (e) => {
      const port = e.target.closest && e.target.closest(".viewport");
      if (!port) return;
      e.preventDefault();
      const box = port.getBoundingClientRect();
      if (e.shiftKey) pan(port, e.deltaY || e.deltaX, 0);
      else zoom(port, Math.exp(-Math.max(-60, Math.min(60, e.deltaY)) * 0.004), e.clientX - box.left, e.clientY - box.top);
    },
    { passive: false },
  );

  // ---- dragging the ground, and pinching

  const fingers = new Map();
  let moved = false;

  document.addEventListener("pointerdown", (e) => {
    const port = e.target.closest && e.target.closest(".viewport");
    if (!port || e.button > 0 || e.target.closest("[data-lead],[data-grip]")) return;
    fingers.set(e.pointerId, { port, x: e.clientX, y: e.clientY });
    moved = false;
  });
  document.addEventListener("pointermove", (e) => {
    const finger = fingers.get(e.pointerId);
    if (!finger) return;
    const { port } = finger;
    const dx = e.clientX - finger.x;
    const dy = e.clientY - finger.y;
    const others = [...fingers.values()].filter((f) => f !== finger && f.port === port);
    if (!moved && Math.hypot(dx, dy) < 4) return;
    moved = true;
    port.classList.add("panning");
    if (others.length === 1) {
      const o = others[0];
      const before = Math.hypot(finger.x - o.x, finger.y - o.y);
      const after = Math.hypot(e.clientX - o.x, e.clientY - o.y);
      const box = port.getBoundingClientRect();
      if (before > 10) zoom(port, after / before, (e.clientX + o.x) / 2 - box.left, (e.clientY + o.y) / 2 - box.top);
    } else {
      pan(port, -dx, -dy);
    }
    finger.x = e.clientX;
    finger.y = e.clientY;
  });
  function lift(e) {
    const finger = fingers.get(e.pointerId);
    fingers.delete(e.pointerId);
    if (finger) finger.port.classList.remove("panning");
  }
  document.addEventListener("pointerup", lift);
  document.addEventListener("pointercancel", lift);
  // a drag is no click on what happens to lie under it
  document.addEventListener(
    "click",
    (e) => {
      if (moved && e.target.closest && e.target.closest(".viewport")) {
        e.stopPropagation();
        e.preventDefault();
      }
      moved = false;
    },
    true,
  );

  // ---- buttons and keys

  document.addEventListener("click", (e) => {
    const button = e.target.closest("[data-zoom]");
    if (!button) return;
    const port = [...button.closest(".pane").querySelectorAll(".viewport")].find((p) => !p.hidden);
    if (!port) return;
    act(port, button.dataset.zoom);
  });

  function act(port, what) {
    if (what === "fit") fit(port);
    else zoom(port, what === "in" ? STEP : 1 / STEP, port.clientWidth / 2, port.clientHeight / 2);
  }

  // ---- a drawing is one stop of Tab; Enter goes into it, arrows from one thing to the next, Escape out of it

  const inside = (port) => [...port.querySelectorAll("svg [tabindex]")].filter((e) => e.getClientRects().length);

  function middle(e) {
    const box = e.getBoundingClientRect();
    return [box.left + box.width / 2, box.top + box.height / 2];
  }

  // of what lies that way, the nearest; what is aside counts double
  function beside(port, from, [dx, dy]) {
    const [x, y] = middle(from);
    let best = null;
    let least = Infinity;
    for (const e of inside(port)) {
      const [ex, ey] = middle(e);
      const ahead = (ex - x) * dx + (ey - y) * dy;
      const aside = Math.abs((ex - x) * dy) + Math.abs((ey - y) * dx);
      if (e === from || ahead < 2 || ahead + 2 * aside >= least) continue;
      least = ahead + 2 * aside;
      best = e;
    }
    return best;
  }

  function enter(port) {
    const pane = port.getBoundingClientRect();
    const all = inside(port);
    const seen = all.find((e) => {
      const [x, y] = middle(e);
      return x > pane.left && x < pane.right && y > pane.top && y < pane.bottom;
    });
    if (seen || all[0]) (seen || all[0]).focus();
  }

  document.addEventListener("keydown", (e) => {
    const port = e.target.closest && e.target.closest(".viewport");
    if (!port || e.defaultPrevented || e.ctrlKey || e.metaKey || e.altKey || e.shiftKey || e.target.closest("input,select,textarea")) return;
    const within = e.target !== port && e.target.matches("svg [tabindex]");
    const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[e.key];
    if (within && way) {
      const next = beside(port, e.target, way);
      if (next) next.focus();
    } else if (within && e.key === "Escape") {
      // whatever else Escape lets go of is let go, too
      port.focus();
      return;
    } else if (e.target === port && e.key === "Enter") {
      enter(port);
    } else {
      return;
    }
    e.preventDefault();
    e.stopImmediatePropagation();
  });

  function oneStop() {
    document.querySelectorAll('.viewport svg [tabindex="0"]').forEach((e) => e.setAttribute("tabindex", "-1"));
  }
  document.addEventListener("drawing:came", () => setTimeout(oneStop));

  document.addEventListener("keydown", (e) => {
    const port = e.target.closest && e.target.closest(".viewport");
    if (!port || e.ctrlKey || e.metaKey || e.altKey || e.target.closest("input,select,textarea")) return;
    const arrow = { ArrowLeft: [-60, 0], ArrowRight: [60, 0], ArrowUp: [0, -60], ArrowDown: [0, 60] }[e.key];
    if (arrow) pan(port, ...arrow);
    else if (e.key === "+" || e.key === "=") act(port, "in");
    else if (e.key === "-") act(port, "out");
    else if (e.key === "0") act(port, "fit");
    else return;
    e.preventDefault();
  });
  document.addEventListener("focusin", (e) => {
    if (e.target.matches && e.target.matches(".viewport svg [tabindex]:focus-visible")) reveal(e.target);
  });
  oneStop();

  window.addEventListener("resize", showAll);
  document.querySelectorAll(".viewport").forEach((port) => rooms.observe(port));
  window.drawings = { show, showAll, reveal, isInSight, scaleOf: (port) => scale(port, view(port)) };
  showAll();
})();
