// Find on the bench: a part, terminal, wire number or function; the chosen one lights in both drawings and comes into sight.
(function () {
  "use strict";
  const MOST = 12;
  const dialog = document.querySelector("#find");
  const input = document.querySelector("#find-text");
  // Enter was pressed before there was anything to find
  let takesFirst = false;

  function matches(words) {
    const facts = window.bench.facts();
    const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
    const found = [];
    for (const [key, text] of Object.entries(facts)) {
      const name = key.slice(key.indexOf(":") + 1).toLowerCase();
      const all = `${key.startsWith("net:") ? "wire " : ""}${name} ${text.toLowerCase()}`;
      if (wanted.every((w) => all.includes(w))) {
        const rank = name === words.toLowerCase() ? 0 : name.startsWith(words.toLowerCase()) ? 1 : key.startsWith("part:") ? 2 : 3;
        found.push({ key, text, rank });
      }
    }
    return found.sort((a, b) => a.rank - b.rank || a.key.length - b.key.length).slice(0, MOST);
  }

  const chooser = window.chooser({
    input,
    list: document.querySelector("#found"),
    none: "Nothing of that name in this circuit.",
    matches: (words) => (words ? matches(words) : []),
    take(key) {
      dialog.close();
      // until the page is painted again, the next key would still be the hidden field's
      input.blur();
      window.bench.pin(key);
    },
  });

  document.addEventListener("keydown", (e) => {
    if (e.key === "/" && !e.target.closest("input,select,textarea") && !e.ctrlKey && !e.metaKey && !e.altKey) {
      e.preventDefault();
      chooser.first();
      dialog.showModal();
      input.select();
      chooser.show();
    }
  });
  input.addEventListener("keydown", (e) => {
    takesFirst = e.key === "Enter" && !Object.keys(window.bench.facts()).length;
  });
  document.addEventListener("bench:facts", () => {
    if (!dialog.open) return;
    chooser.show();
    if (takesFirst) chooser.takeChosen();
  });
})();
