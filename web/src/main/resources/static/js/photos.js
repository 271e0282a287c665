// Pins on photos: a terminal is written, then its place is clicked; a click on a pin takes it off.
(function () {
  "use strict";
  const main = document.querySelector("#photos");

  function place(pin) {
    pin.style.setProperty("left", `${pin.dataset.x * 100}%`);
    pin.style.setProperty("top", `${pin.dataset.y * 100}%`);
  }
  document.querySelectorAll(".pin").forEach(place);

  async function post(path, fields) {
    const words = document.querySelector("#pin-words");
    try {
      const answer = await fetch(path, { method: "POST", headers: { [main.dataset.tokenHeader]: main.dataset.token }, body: new URLSearchParams(fields) });
      words.textContent = answer.ok ? "" : await window.refusal(answer);
      return answer.ok;
    } catch (e) {
      words.textContent = "The server doesn't answer; the pin isn't kept. Try again.";
      return false;
    }
  }

  document.addEventListener("click", async (e) => {
    const section = e.target.closest(".photo");
    if (!section) return;
    const id = section.dataset.photo;
    if (e.target.classList.contains("pin")) {
      if (await post(`/photos/${id}/unpin`, { terminal: e.target.dataset.terminal })) e.target.remove();
      return;
    }
    const image = e.target.closest(".photo-frame img");
    const field = section.querySelector(".terminal");
    if (!image) return;
    const terminal = field.value.trim();
    if (!terminal) {
      field.focus();
      return;
    }
    const box = image.getBoundingClientRect();
    const x = (e.clientX - box.left) / box.width;
    const y = (e.clientY - box.top) / box.height;
    if (!(await post(`/photos/${id}/pins`, { terminal, x, y }))) return;
    section.querySelectorAll(`.pin[data-terminal="${CSS.escape(terminal)}"]`).forEach((p) => p.remove());
    const pin = document.createElement("button");
    pin.type = "button";
    pin.className = "pin";
    pin.textContent = terminal;
    pin.title = `Take the pin ${terminal} off`;
    Object.assign(pin.dataset, { terminal, x, y });
    place(pin);
    section.querySelector(".photo-frame").appendChild(pin);
    field.value = "";
    field.focus();
  });
})();
