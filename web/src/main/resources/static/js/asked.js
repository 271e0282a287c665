// Words that take a moment to work out follow the page, one after the other.
(function () {
  "use strict";
  document.addEventListener("DOMContentLoaded", async () => {
    for (const e of document.querySelectorAll(".asked[data-ask]")) {
      const answer = await window.patient(e.dataset.ask).catch(() => null);
      e.textContent = !answer ? "This can't be said now: the server doesn't answer." : answer.ok ? await answer.text() : `This can't be said now: ${await window.refusal(answer)}`;
      e.removeAttribute("aria-busy");
    }
  });
})();
