// Words that take a moment to work out follow the page, one after the other.
(function () {
  "use strict";
  document.addEventListener("DOMContentLoaded", async () => {
    for (const e of document.querySelectorAll(".asked[data-ask]")) {
      const answer = await fetch(e.dataset.ask).catch(() => null);
      e.textContent = answer && answer.ok ? await answer.text() : "This can't be said now: the server doesn't answer.";
      e.removeAttribute("aria-busy");
    }
  });
})();
