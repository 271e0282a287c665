// Puts in a fault: found by its part, its wire or what is wrong.
(function () {
  "use strict";
  const groups = JSON.parse(document.querySelector("#all-faults").textContent);
  const input = document.querySelector("#fault-find");
  const all = groups.flatMap(({ title, faults }) =>
    faults.map(({ index, words }) => ({ key: String(index), text: words, group: title, look: `${title} ${words}`.toLowerCase() })));

  window.chooser({
    input,
    list: document.querySelector("#faults-found"),
    closes: true,
    none: "No fault of that name in this circuit.",
    matches(words) {
      const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
      return all.filter((f) => wanted.every((w) => f.look.includes(w)));
    },
    take(key) {
      document.querySelector("#fault-chosen").value = key;
      input.value = "";
      // the keys of the bench are the hands' again
      input.blur();
      htmx.trigger(document.querySelector("#fault-form"), "submit");
    },
  });
})();
