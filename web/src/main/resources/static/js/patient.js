// Fetches what may take long: while it is worked out, it is asked for again every second.
(function () {
  "use strict";
  const AGAIN_MS = 1000;

  // what a refusal says, whoever refuses
  window.refusal = async (answer) => {
    const type = answer.headers.get("Content-Type") || "";
    if (type.startsWith("text/plain")) return answer.text();
    const words = type.includes("json") ? await answer.json().catch(() => ({})) : {};
    return words.detail || `the server answers ${answer.status}`;
  };

  window.patient = async (address, options = {}, meanwhile = () => {}) => {
    const began = Date.now();
    for (;;) {
      const answer = await fetch(address, { ...options, headers: { ...options.headers, "X-Jagridge-Waits": "true" } });
      if (answer.status !== 202) return answer;
      meanwhile(Math.round((Date.now() - began) / 1000));
      await new Promise((go) => setTimeout(go, AGAIN_MS));
    }
  };
})();
