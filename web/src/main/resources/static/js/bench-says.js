// What a reading proves follows its number: it is worked out from all that may be the case, which takes a moment.
(function () {
  "use strict";
  const HANDS_MS = 100;

  async function ask() {
    const says = document.getElementById("says");
    if (!says || !says.dataset.ask) return;
    const from = says.dataset.ask;
    delete says.dataset.ask;
    // hands that go on at once don't wait for words about a state that is gone
    await new Promise((go) => setTimeout(go, HANDS_MS));
    if (!says.isConnected) return;
    let text;
    try {
      const answer = await fetch(from);
      text = answer.ok ? await answer.text() : "What it proves can't be said now: the server answers " + answer.status + ".";
    } catch (e) {
      text = "What it proves can't be said now: the server doesn't answer.";
    }
    // another state may be on the screen by now; its own sentence comes for it
    if (!says.isConnected) return;
    says.textContent = text;
    says.removeAttribute("aria-busy");
  }

  document.addEventListener("DOMContentLoaded", ask);
  document.addEventListener("htmx:afterSettle", ask);
})();
