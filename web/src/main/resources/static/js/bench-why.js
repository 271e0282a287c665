// Why each load is on or off: asked for when somebody looks, and again with each state for as long as it is open.
(function () {
  "use strict";

  async function ask(waits) {
    const from = waits.dataset.ask;
    let list;
    try {
      const answer = await window.patient(from);
      if (!answer.ok) throw new Error(await window.refusal(answer));
      list = await answer.text();
    } catch (e) {
      list = null;
      waits.lastElementChild.textContent = `It can't be said now: ${e.message}`;
    }
    // another state may be on the screen by now, with a list of its own
    if (list !== null && waits.isConnected) waits.lastElementChild.innerHTML = list;
  }

  document.addEventListener("toggle", (e) => e.target.id === "waits" && e.target.open && ask(e.target), true);
})();
