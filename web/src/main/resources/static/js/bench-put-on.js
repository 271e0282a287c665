// What hands have put on the drawings of a bench: the meter's leads, links, and the bare ends of lifted wires.
(function () {
  "use strict";

  // what hands put on a drawing lies in a sheet of its own over it: an element more among the drawing's own would have the
  // browser look at the style of each of them anew
  function put(svg, name, attributes) {
    let sheet = svg.querySelector(":scope > .put-on");
    if (!sheet) {
      sheet = document.createElementNS(svg.namespaceURI, "g");
      sheet.setAttribute("class", "put-on");
      svg.appendChild(sheet);
    }
    const element = document.createElementNS(svg.namespaceURI, name);
    Object.entries(attributes).forEach(([key, value]) => element.setAttribute(key, String(value)));
    sheet.appendChild(element);
  }

  // red ink over every link and every wire that is not where it belongs, in both drawings
  function temporaries() {
    document.querySelectorAll(".drawing .temporary-link, .drawing .bare-end").forEach((e) => e.remove());
    document.querySelectorAll(".drawing .lifted").forEach((e) => e.classList.remove("lifted"));
    document.querySelectorAll(".drawing.connection, .drawing.ladder").forEach((svg) => {
      document.querySelectorAll(".temporary").forEach((temporary) => {
        (temporary.dataset.wires || "").split(" ").filter(Boolean).forEach((wire) =>
          svg.querySelectorAll(`[data-wire="${CSS.escape(wire)}"]`).forEach((w) => w.classList.add("lifted")));
        drawBare(svg, ...(temporary.dataset.bare || "").split(" "));
        const [a, b] = (temporary.dataset.link || "").split(" ").map((t) => t && svg.querySelector(`circle[data-terminal="${CSS.escape(t)}"]`));
        if (!a || !b) return;
        const [x1, y1, x2, y2] = [a, b].flatMap((c) => [Number(c.getAttribute("cx")), Number(c.getAttribute("cy"))]);
        put(svg, "path", { class: "temporary-link", d: `M${x1} ${y1}Q${(x1 + x2) / 2} ${(y1 + y2) / 2 - 24} ${x2} ${y2}` });
      });
    });
  }

  // the bare end of a lifted wire stands beside its terminal, on the side where the wire comes from: a lead can lie on it
  function drawBare(svg, bare, terminal) {
    const post = terminal && svg.querySelector(`circle[data-terminal="${CSS.escape(terminal)}"]`);
    if (!post) return;
    const [x, y] = [Number(post.getAttribute("cx")), Number(post.getAttribute("cy"))];
    const box = svg.querySelector(`.part[data-part="${CSS.escape(post.dataset.part)}"] rect`);
    const below = box && y > Number(box.getAttribute("y")) + Number(box.getAttribute("height")) / 2;
    put(svg, "circle", { class: "bare-end", cx: x + 9, cy: y + (below ? 12 : -12), r: 4, tabindex: -1, "data-terminal": bare, "aria-label": `the bare end off ${terminal}` });
  }

  // draws the two probes at their terminals in both drawings
  function leads() {
    document.querySelectorAll(".drawing .probe").forEach((e) => e.remove());
    for (const [lead, id] of [["red", "#lead-plus"], ["black", "#lead-minus"]]) {
      const input = document.querySelector(id);
      if (!input) continue;
      document.querySelectorAll(`.drawing circle[data-terminal="${CSS.escape(input.dataset.at)}"]`).forEach((post) => {
        const x = Number(post.getAttribute("cx"));
        const y = Number(post.getAttribute("cy"));
        const side = lead === "red" ? 1 : -1;
        put(post.ownerSVGElement, "path", { class: `probe ${lead}`, "data-lead": lead, d: `M${x} ${y}l${side * 4}-6l${side * 10}-13l5 3l${side * -9} 13z` });
      });
    }
  }

  window.putOn = { temporaries, leads };
})();
