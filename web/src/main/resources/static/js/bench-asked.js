// Lists that take some work, of why each load is on or off and of the readings before: asked for when somebody looks, and again with each state
// for as long as they are open.
(function () {
  "use strict";

  async function ask(folded) {
    const from = folded.dataset.ask;
    let list;
    try {
      const answer = await window.patient(from);
      if (!answer.ok) throw new Error(await window.refusal(answer));
      list = await answer.text();
    } catch (e) {
      list = null;
      folded.lastElementChild.textContent = `It can't be said now: ${e.message}`;
    }
    // another state may be on the screen by now, with a list of its own
    if (list !== null && folded.isConnected) folded.lastElementChild.innerHTML = list;
  }

  document.addEventListener("toggle", (e) => e.target.matches("details[data-ask]") && e.target.open && ask(e.target), true);
})();
