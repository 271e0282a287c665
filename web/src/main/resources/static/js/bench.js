// What only the browser knows of a bench: what is pointed at, a lead being dragged, the play clock, the keys.
(function () {
  "use strict";
  const $ = (selector) => document.querySelector(selector);
  const scrolls = {};
  let facts = {};
  let armed = null;
  let drag = null;
  let timer = null;
  let tab = "ladder";
  let pointedAt = null;
  const opened = new Set();
  const state = () => $("#now").dataset;

  // what the eye sees first isn't kept waiting by what it asks for next
  const painted = () => new Promise((done) => requestAnimationFrame(() => setTimeout(done)));

  // what there is to say of each thing follows the state; until it is here, nothing is said
  let factsOf = "";
  async function fetchFacts() {
    const { bench, state: s, seconds } = state();
    const wanted = `/bench/${bench}/facts?s=${s}&t=${seconds}`;
    factsOf = wanted;
    $("#inspector").textContent = pointedAt ? "…" : "Point at a part, a wire or a terminal.";
    await painted();
    if (factsOf !== wanted) return;
    const answer = await fetch(wanted).catch(() => null);
    if (!answer || !answer.ok || factsOf !== wanted) return;
    facts = await answer.json();
    factsOf = "";
    inspect();
    showPinned(false);
    document.dispatchEvent(new CustomEvent("bench:facts"));
  }

  // ---- pointing: the same thing lights everywhere

  function kindsOf(element) {
    const d = element.dataset;
    if (d.terminal) return [["terminal", d.terminal]];
    if (d.wire) return [["wire", d.wire]];
    if (d.part) return [["part", d.part]];
    if (d.net) return [["net", d.net]];
    return [];
  }

  function light(element) {
    document.querySelectorAll(".lit").forEach((e) => e.classList.remove("lit"));
    if (!element) return;
    for (const [kind, name] of kindsOf(element)) {
      const selector = kind === "terminal" ? `[data-terminal="${CSS.escape(name)}"]` : `[data-${kind}="${CSS.escape(name)}"]`;
      document.querySelectorAll(selector).forEach((e) => {
        if (kind !== "part" || !e.dataset.terminal) e.classList.add("lit");
      });
      pointedAt = `${kind}:${name}`;
      inspect();
    }
  }

  // what was found or walked to stays lit until something else is
  let pinned = [];
  function pin(...keys) {
    pinned = keys.filter(Boolean);
    showPinned(true);
  }
  function showPinned(intoSight) {
    document.querySelectorAll(".pinned").forEach((e) => e.classList.remove("pinned"));
    // a terminal that is no symbol's end on the ladder still lies on one of its lines
    const nets = pinned.map((key) => key.startsWith("terminal:") && /\bwire (\d+)\b/.exec(facts[key] || "")).filter(Boolean);
    nets.forEach((net) => document.querySelectorAll(`.ladder .line[data-net="${net[1]}"]`).forEach((e) => e.classList.add("pinned")));
    pinned.forEach((key, i) => {
      const kind = key.slice(0, key.indexOf(":"));
      const name = key.slice(key.indexOf(":") + 1);
      const found = [...document.querySelectorAll(`.drawing [data-${kind}="${CSS.escape(name)}"]`)].filter((e) => kind !== "part" || !e.dataset.terminal);
      found.forEach((e) => e.classList.add("pinned"));
      if (i > 0 || !intoSight) return;
      pointedAt = key;
      inspect();
      const seen = new Set();
      found.forEach((e) => {
        const port = e.closest(".viewport");
        if (port && !seen.has(port)) {
          seen.add(port);
          window.drawings.reveal(e);
        }
      });
    });
  }
  window.bench = {
    facts: () => facts,
    pin,
    pointedPart: () => (pointedAt && pointedAt.startsWith("part:") ? pointedAt.slice(5) : null),
  };

  function inspect() {
    if (!factsOf && facts[pointedAt]) $("#inspector").textContent = facts[pointedAt];
  }

  const pointable = "[data-terminal],[data-wire],[data-part],[data-net]";
  document.addEventListener("pointerover", (e) => {
    const element = e.target.closest && e.target.closest(pointable);
    if (element && !drag) light(element);
  });
  document.addEventListener("focusin", (e) => {
    const element = e.target.closest && e.target.closest(".drawing [tabindex]");
    if (element) light(element);
  });

  // ---- the meter's leads: click, drag or type

  function place(lead, terminal) {
    $(lead === "red" ? "#lead-plus" : "#lead-minus").value = terminal;
    htmx.trigger($("#leads"), "submit");
  }

  function arm(lead) {
    armed = lead;
    document.body.classList.toggle("arming", armed !== null);
    document.querySelectorAll(".lead").forEach((l) => l.classList.toggle("armed", armed !== null && l.classList.contains(armed)));
  }

  // a held lead stays on common, or on the feed, while clicks walk the other one
  let held = null;
  function showHeld() {
    document.querySelectorAll("[data-hold]").forEach((b) => b.setAttribute("aria-pressed", String(b.dataset.hold === held)));
  }

  function terminalAt(target) {
    const element = target && target.closest && target.closest("[data-terminal]");
    return element ? element.dataset.terminal : null;
  }

  document.addEventListener("click", (e) => {
    const clamps = !$(".lead.clamp").hidden;
    const wire = clamps && e.target.closest && e.target.closest(".drawing [data-wire]");
    if (wire) {
      $("#clamp").value = wire.dataset.wire;
      htmx.trigger($("#leads"), "submit");
      return;
    }
    const terminal = terminalAt(e.target);
    if (terminal && !clamps) {
      place(armed || (held === "red" ? "black" : "red"), terminal);
      arm(null);
      return;
    }
    const hold = e.target.closest && e.target.closest("[data-hold]");
    if (hold) {
      held = held === hold.dataset.hold ? null : hold.dataset.hold;
      showHeld();
      return;
    }
    const label = e.target.closest(".lead");
    if (label && e.target.tagName === "SPAN") {
      e.preventDefault();
      const lead = label.classList.contains("red") ? "red" : "black";
      arm(armed === lead ? null : lead);
    }
    const chosen = e.target.closest("button[data-tab]");
    if (chosen) {
      showTab(chosen.dataset.tab);
      window.drawings.showAll();
    }
    const view = e.target.closest("[data-view]");
    if (view) toggleView(view.dataset.view);
    const chart = e.target.closest(".chart svg");
    if (chart) scrub(chart, e.clientX);
    if (e.target.closest("#play")) togglePlay();
  });

  document.addEventListener("pointerdown", (e) => {
    const probe = e.target.closest && e.target.closest("[data-lead]");
    if (!probe) return;
    e.preventDefault();
    drag = { lead: probe.dataset.lead };
    document.body.classList.add("dragging");
  });
  document.addEventListener("pointermove", (e) => {
    if (!drag) return;
    const under = document.elementsFromPoint(e.clientX, e.clientY).find((x) => x.dataset && x.dataset.terminal);
    light(under || null);
  });
  document.addEventListener("pointerup", (e) => {
    if (!drag) return;
    const lead = drag.lead;
    drag = null;
    document.body.classList.remove("dragging");
    const under = document.elementsFromPoint(e.clientX, e.clientY).find((x) => x.dataset && x.dataset.terminal);
    if (under) place(lead, under.dataset.terminal);
  });

  // ---- time

  function scrub(svg, clientX) {
    const box = svg.getBoundingClientRect();
    const x = ((clientX - box.left) * svg.viewBox.baseVal.width) / box.width;
    const xs = svg.dataset.xs.split(" ").map(Number);
    const instants = svg.dataset.instants.split(" ").map(Number);
    let i = 1;
    while (i < xs.length - 1 && xs[i] < x) i++;
    const share = Math.min(1, Math.max(0, (x - xs[i - 1]) / (xs[i] - xs[i - 1] || 1)));
    go((instants[i - 1] + share * (instants[i] - instants[i - 1])).toFixed(6));
  }

  function go(seconds) {
    const { bench, state: s } = state();
    goTo(`/bench/${bench}?s=${s}&t=${seconds}`);
  }

  function goTo(address) {
    htmx.ajax("GET", address, { source: "#workspace", target: "#workspace", swap: "none" });
  }
  document.addEventListener("click", (e) => {
    const there = e.target.closest && e.target.closest("[data-go]");
    if (there) go(there.dataset.go);
  });

  function togglePlay() {
    if (timer) {
      clearTimeout(timer);
      timer = null;
      document.body.classList.remove("playing");
    } else {
      document.body.classList.add("playing");
      playOn();
    }
  }

  // waits as long as the circuit does until its next event, then shows it
  function playOn() {
    const next = $("#next");
    if (!next || next.disabled) {
      timer = null;
      document.body.classList.remove("playing");
      return;
    }
    timer = setTimeout(() => next.click(), Math.min(2147483647, Number(state().nextGap)));
  }

  // ---- keys

  document.addEventListener("keydown", (e) => {
    const typing = e.target.closest("input,select,textarea");
    if (e.key === "Escape") {
      arm(null);
      if (typing) typing.blur();
      return;
    }
    if (typing || e.ctrlKey || e.metaKey || e.altKey) return;
    if ((e.key === "Enter" || e.key === " ") && e.target.dataset && e.target.dataset.terminal) {
      e.preventDefault();
      place(armed || "red", e.target.dataset.terminal);
      arm(null);
      return;
    }
    const button = { ",": "#previous", ".": "#next", Home: "#to-start", End: "#rest", u: "#undo" }[e.key];
    if (button) {
      e.preventDefault();
      $(button).click();
    } else if (e.key === "[" || e.key === "]") {
      e.preventDefault();
      const input = $(e.key === "[" ? "#lead-plus" : "#lead-minus");
      showTab("meter");
      input.focus();
      input.select();
    } else if (e.key === " " && !e.target.closest("button")) {
      e.preventDefault();
      togglePlay();
    } else if (e.key === "?") {
      $("#help").showModal();
    } else if (/^[1-9]$/.test(e.key)) {
      const hand = $(`[data-digit="${e.key}"]`);
      if (hand) hand.click();
    }
  });

  // ---- panes

  function showTab(name) {
    tab = name;
    document.body.dataset.tab = name;
    document.querySelectorAll("[data-tab]").forEach((b) => b.setAttribute && b.tagName === "BUTTON" && b.setAttribute("aria-pressed", String(b.dataset.tab === name)));
  }

  // wide: one drawing alone
  function toggleView(name) {
    document.body.classList.toggle(name);
    if (name === "wide-ladder") document.body.classList.remove("wide-connections");
    if (name === "wide-connections") document.body.classList.remove("wide-ladder");
    showViews();
    window.drawings.showAll();
  }

  function showViews() {
    document.querySelectorAll("[data-view]").forEach((b) => b.setAttribute("aria-pressed", String(document.body.classList.contains(b.dataset.view))));
  }

  // the new state is in the page: shows it, and says so
  function refresh() {
    const shown = JSON.parse($("#shown").textContent);
    window.drawingsCome.show(shown.marks);
    showHands(shown);
    window.putOn.temporaries();
    window.putOn.leads();
    showHeld();
    showPinned(false);
    document.querySelectorAll("details[data-ask]").forEach((d) => (d.open = opened.has(d.id)));
    // what needs the new layout waits for the frame that makes it
    requestAnimationFrame(() => {
      keepScrolls();
      followEvents();
    });
    fetchFacts();
    document.dispatchEvent(new CustomEvent("bench:shown"));
    setTimeout(showAddress);
  }

  // where every hand control stands; what is half typed in another one stays
  let before = {};
  function showHands({ values, moved }) {
    document.querySelectorAll("#controls [data-input]").forEach((hand) => {
      const key = hand.dataset.input;
      const value = values[key];
      hand.classList.toggle("moved", moved.includes(key));
      hand.querySelectorAll(".throw").forEach((b) => b.setAttribute("aria-checked", value));
      hand.querySelectorAll("[role=radio]").forEach((b) => b.setAttribute("aria-checked", String(b.dataset.value === value)));
      hand.querySelectorAll("input,select").forEach((field) => {
        if (field === document.activeElement && before[key] === value) return;
        const shown = window.units.shown(field, value);
        field.value = shown;
        if (field.tagName === "INPUT") field.setAttribute("value", shown);
      });
    });
    before = values;
    $("#moved").textContent = `${moved.length} moved`;
    $("#undo").disabled = state().acts === "0";
  }

  document.addEventListener(
    "scroll",
    (e) => {
      const name = e.target.dataset && e.target.dataset.keepScroll;
      if (name) scrolls[name] = [e.target.scrollLeft, e.target.scrollTop];
    },
    { capture: true, passive: true },
  );
  function keepScrolls() {
    document.querySelectorAll("[data-keep-scroll]").forEach((e) => {
      const kept = scrolls[e.dataset.keepScroll];
      if (kept && (kept[0] || kept[1])) [e.scrollLeft, e.scrollTop] = kept;
    });
  }

  // the event at the instant shown is in sight
  function followEvents() {
    const now = $(".events .now");
    if (!now) return;
    const list = $("#events");
    const below = now.offsetTop + now.offsetHeight > list.scrollTop + list.clientHeight;
    const above = now.offsetTop < list.scrollTop;
    if (below || above) list.scrollTop = now.offsetTop - list.clientHeight / 2;
  }

  // brings the section of the ladder that acts into sight: where neither what hands moved nor what came of it is; the
  // connections stay where leads are being put
  function follow(hand) {
    const own = hand.closest("[data-part]");
    const moved = $("#events .now:not(.input)[data-part]");
    const parts = [moved, own].filter(Boolean).map((e) => `.ladder-pane svg [data-part="${CSS.escape(e.dataset.part)}"]:not([data-terminal])`);
    requestAnimationFrame(() => {
      const drawn = parts.flatMap((part) => [...document.querySelectorAll(part)]);
      if (drawn.length && !drawn.some(window.drawings.isInSight)) window.drawings.reveal(drawn[0]);
    });
  }

  document.addEventListener("drawing:came", () => {
    window.putOn.temporaries();
    window.putOn.leads();
    showPinned(false);
  });

  // every act is done to the state that the page shows
  document.addEventListener("htmx:configRequest", (e) => {
    if (e.detail.verb !== "post" || !e.detail.path.startsWith("/bench/")) return;
    e.detail.parameters.set("s", state().state);
    e.detail.parameters.set("t", state().seconds);
    if (e.detail.elt.matches(".throw")) e.detail.parameters.set("value", String(e.detail.elt.getAttribute("aria-checked") !== "true"));
  });
  // the answer's pieces take the places of those with their ids; the address becomes that of the state
  document.addEventListener("htmx:beforeSwap", (e) => {
    const { xhr, pathInfo } = e.detail;
    if (xhr.status !== 200 || !pathInfo.requestPath.startsWith("/bench/")) return;
    e.detail.shouldSwap = false;
    document.querySelectorAll("details[data-ask]").forEach((d) => (d.open ? opened.add(d.id) : opened.delete(d.id)));
    window.pieces.put(xhr.responseText);
    address = { push: xhr.getResponseHeader("HX-Push-Url"), replace: xhr.getResponseHeader("HX-Replace-Url") };
  });

  // the address bar takes its time, which hands needn't wait for
  let address = {};
  function showAddress() {
    if (address.push) history.pushState(null, "", address.push);
    else if (address.replace) history.replaceState(null, "", address.replace);
    address = {};
    const { state: s, seconds } = state();
    document.body.dataset.shown = `${s}@${seconds}`;
  }

  window.addEventListener("popstate", () => goTo(location.pathname + location.search));
  document.addEventListener("htmx:afterRequest", (e) => {
    if (!e.detail.successful) return;
    $("#notice").textContent = "";
    if (e.detail.pathInfo.requestPath.startsWith("/bench/")) {
      refresh();
      if (/\/(set|push)$/.test(e.detail.pathInfo.requestPath)) follow(e.detail.elt);
      if (timer) playOn();
    }
  });
  document.addEventListener("htmx:sendError", () => {
    $("#notice").innerHTML = '<p class="notice" role="alert">The server does not answer. Nothing is lost; try again when it is back.</p>';
  });

  showTab(tab);
  showViews();
  refresh();
})();
