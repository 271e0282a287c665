// What a reading proves follows its number: it is worked out from all that may be the case, which takes a moment.
(function () {
  "use strict";
  const HANDS_MS = 100;
  const MOST_HANDS_MS = 600;
  // what the last sentence took, as far as it came: what is long in coming would be in the way of the next act
  let took = 0;
  // tells the server that what this tab does makes its older questions worthless
  const tab = { "X-Jagridge-Tab": Math.random().toString(36).slice(2) };
  let asking = null;

  document.addEventListener("htmx:configRequest", (e) => {
    if (e.detail.path.startsWith("/bench/")) Object.assign(e.detail.headers, tab);
  });
  document.addEventListener("htmx:beforeRequest", () => asking && asking.abort());

  async function ask() {
    const says = document.getElementById("says");
    if (!says || !says.dataset.ask) return;
    const from = says.dataset.ask;
    delete says.dataset.ask;
    // hands that go on at once don't wait for words about a state that is gone
    await new Promise((go) => setTimeout(go, Math.max(HANDS_MS, Math.min(MOST_HANDS_MS, took))));
    if (!says.isConnected) return;
    // while an act is under way, nothing is asked about the state that it ends
    if (window.acts.underWay()) {
      says.dataset.ask = from;
      return;
    }
    let text;
    asking = new AbortController();
    const began = performance.now();
    try {
      const answer = await fetch(from, { headers: tab, signal: asking.signal });
      text = answer.ok ? await answer.text() : `What it proves can't be said now: ${await window.refusal(answer)}`;
    } catch (e) {
      if (e.name === "AbortError") {
        took += performance.now() - began;
        // an act that is refused leaves the state, and its sentence is wanted after all
        says.dataset.ask = from;
        return;
      }
      text = "What it proves can't be said now: the server doesn't answer.";
    }
    took = performance.now() - began;
    // another state may be on the screen by now; its own sentence comes for it
    if (!says.isConnected) return;
    says.textContent = text;
    says.removeAttribute("aria-busy");
  }

  document.addEventListener("DOMContentLoaded", ask);
  document.addEventListener("bench:shown", ask);
  document.addEventListener("htmx:afterRequest", ask);
})();
