// Hands on the editor's drawing: terminals are joined, boxes moved, and the same thing lights in the lists and in both drawings.
window.editDrawing = function (send, say) {
  "use strict";
  const $ = (selector) => document.querySelector(selector);
  let joining = null;
  let drag = null;

  function prepare() {
    const port = $("#drawing-connections");
    port.querySelectorAll(".part:not(.in-tray),.place-box").forEach((e) => {
      e.dataset.movable = "";
      e.setAttribute("tabindex", "-1");
      // a place is taken by its title; elsewhere in it a drag shifts the view
      (e.querySelector(".t-place") || e).dataset.grip = "";
    });
    if (joining) {
      const post = port.querySelector(`.post[data-terminal="${CSS.escape(joining)}"]`);
      if (post) post.classList.add("joining");
      else joining = null;
    }
  }

  function takeTerminal(terminal) {
    if (joining === null) {
      joining = terminal;
      $("#drawing-hint").textContent = `${terminal} to …? Escape lets go`;
    } else {
      const from = joining;
      letGo();
      if (from !== terminal) send({ what: "join", fields: { from, to: terminal } });
    }
    document.querySelectorAll(".joining").forEach((e) => e.classList.remove("joining"));
    prepare();
  }

  function letGo() {
    joining = null;
    document.querySelectorAll(".joining").forEach((e) => e.classList.remove("joining"));
    $("#drawing-hint").textContent = "click two terminals to join them";
  }

  document.addEventListener("click", (e) => {
    const post = e.target.closest && e.target.closest("#drawing-connections .post");
    if (post) takeTerminal(post.dataset.terminal);
  });

  const boxId = (e) => e.dataset.part || e.dataset.place;

  document.addEventListener("pointerdown", (e) => {
    const grip = e.target.closest && e.target.closest("#drawing-connections [data-grip]");
    if (!grip || e.button > 0) return;
    const box = grip.closest("[data-movable]");
    const id = boxId(box);
    const all = [...document.querySelectorAll("#drawing-connections [data-movable],#drawing-connections .post")].filter(
      (x) => x === box || (box.dataset.place ? x.dataset.inPlace === id : x.dataset.part === id && x.classList.contains("post")),
    );
    drag = { id, all, x: e.clientX, y: e.clientY, scale: window.drawings.scaleOf($("#drawing-connections")), dx: 0, dy: 0 };
  });
  document.addEventListener("pointermove", (e) => {
    if (!drag) return;
    drag.dx = Math.round((e.clientX - drag.x) / drag.scale / 8);
    drag.dy = Math.round((e.clientY - drag.y) / drag.scale / 8);
    drag.all.forEach((x) => x.setAttribute("transform", `translate(${drag.dx * 8} ${drag.dy * 8})`));
  });
  document.addEventListener("pointerup", () => {
    if (!drag) return;
    const { id, dx, dy, all } = drag;
    drag = null;
    if (dx || dy) move(id, dx, dy, all);
  });

  function move(id, dx, dy, all = []) {
    const back = (words) => {
      all.forEach((x) => x.removeAttribute("transform"));
      say(words);
    };
    send({ what: "move", fields: { id, dx, dy }, wrong: back });
  }

  // ---- pointing: the same thing lights in the lists and in both drawings

  function light(target) {
    document.querySelectorAll("#edit .lit").forEach((e) => e.classList.remove("lit"));
    const source = target.closest && target.closest("[data-terminal],[data-wire],[data-part],[data-cable]");
    if (!source) return;
    const kind = ["terminal", "wire", "part", "cable"].find((k) => source.dataset[k]);
    const name = CSS.escape(source.dataset[kind]);
    document.querySelectorAll(`#edit [data-${kind}="${name}"]`).forEach((e) => {
      if (kind !== "part" || !e.dataset.terminal) e.classList.add("lit");
    });
    if (kind === "cable") document.querySelectorAll(`#edit [data-cable-of="${name}"]`).forEach((e) => e.classList.add("lit"));
  }
  document.addEventListener("pointerover", (e) => !drag && light(e.target));
  document.addEventListener("focusin", (e) => light(e.target));

  // an arrow with Alt moves the box that has the focus, with Shift further; Enter takes a terminal. True for a key that did
  function key(e) {
    const arrow = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[e.key];
    const box = e.target.closest("[data-movable]");
    if (e.altKey && arrow && box) {
      const far = e.shiftKey ? 5 : 1;
      move(boxId(box), arrow[0] * far, arrow[1] * far);
      return true;
    }
    const post = e.target.closest(".post");
    const takes = post && (e.key === "Enter" || e.key === " ") && !(e.ctrlKey || e.metaKey || e.altKey);
    if (takes) takeTerminal(post.dataset.terminal);
    return Boolean(takes);
  }

  return { prepare, letGo, key };
};
