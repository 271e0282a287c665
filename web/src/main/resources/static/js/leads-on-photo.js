// On a sheet: the line that is pointed at, or being filled in, shows its leads on the photo that has them pinned.
(async function () {
  "use strict";
  const main = document.querySelector("[data-pins]");
  if (!main) return;
  const pins = await (await fetch(main.dataset.pins)).json();
  if (pins.length === 0) return;
  const pane = document.createElement("aside");
  pane.className = "leads-photo";
  pane.hidden = true;
  document.body.appendChild(pane);
  // the sheet makes room, so that nothing to be filled in is covered
  main.classList.add("with-photo");

  function dot(kind, pin) {
    const mark = document.createElement("span");
    mark.className = `lead-mark ${kind}`;
    mark.textContent = pin.terminal;
    mark.style.setProperty("left", `${pin.x * 100}%`);
    mark.style.setProperty("top", `${pin.y * 100}%`);
    return mark;
  }

  function show(target) {
    const row = target.closest && target.closest("[data-line]");
    if (!row) return;
    const [, red, black] = row.dataset.line.split(" ");
    // the photo that has most of the two
    const by = new Map();
    pins.filter((p) => p.terminal === red || p.terminal === black).forEach((p) => by.set(p.photoId, [...(by.get(p.photoId) || []), p]));
    const best = [...by.entries()].sort((a, b) => b[1].length - a[1].length)[0];
    pane.hidden = !best;
    if (!best) return;
    pane.textContent = "";
    const frame = pane.appendChild(document.createElement("div"));
    frame.className = "photo-frame";
    const image = frame.appendChild(document.createElement("img"));
    image.src = `/photos/${best[0]}`;
    image.alt = `Where the leads go: red ${red}, black ${black}`;
    best[1].forEach((p) => frame.appendChild(dot(p.terminal === red ? "red" : "black", p)));
  }
  document.addEventListener("pointerover", (e) => show(e.target));
  document.addEventListener("focusin", (e) => show(e.target));
})();
