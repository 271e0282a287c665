// numbers that are typed in other units than those in which all is kept are sent with their unit
(() => {
  "use strict";

  const BARE = /^\s*[-−+]?[0-9]+([.,][0-9]+)?\s*$/;
  const others = (input) => Boolean(input.dataset && ["°F", "ft", "per ft"].includes(input.dataset.unit));
  // also a line of ratings, which is shown in other units as a whole
  const sentOtherwise = (input) => others(input) || Boolean(input.dataset && input.dataset.kept !== undefined);

  // what a field says, with its unit behind it where that isn't the usual one; what nobody has changed is as it was kept
  function said(input) {
    if (input.dataset && input.dataset.kept !== undefined && input.value === input.getAttribute("value")) return input.dataset.kept;
    if (!others(input) || !BARE.test(input.value)) return input.value;
    return `${input.value.trim()} ${input.dataset.unit}`;
  }

  // a number that is kept, as a field shows it
  function shown(input, kept) {
    const number = Number(kept);
    if (!others(input) || kept === "" || Number.isNaN(number)) return kept;
    const other = input.dataset.unit === "°F" ? number * 1.8 + 32 : number / 0.3048;
    return String(Math.round(other * 10) / 10);
  }

  document.addEventListener("formdata", (e) => {
    const fields = [...e.target.elements].filter((f) => f.name && !f.disabled);
    for (const name of new Set(fields.filter(sentOtherwise).map((f) => f.name))) {
      e.formData.delete(name);
      fields.filter((f) => f.name === name).forEach((f) => e.formData.append(name, said(f)));
    }
  });

  document.addEventListener("htmx:configRequest", (e) => {
    const input = e.detail.elt;
    if (sentOtherwise(input)) e.detail.parameters[input.name] = said(input);
  });

  window.units = { said, shown, BARE };
})();
