// A record being filled in: what is typed is kept here until the server has acknowledged it, and sent once.
(function () {
  "use strict";
  const $ = (selector) => document.querySelector(selector);
  const main = $("#record");
  const base = `/records/${main.dataset.record}`;
  const store = `readings/${main.dataset.record}`;
  const AGAIN = 3000;

  const waiting = () => JSON.parse(localStorage.getItem(store) || "[]");
  const keep = (list) => (list.length ? localStorage.setItem(store, JSON.stringify(list)) : localStorage.removeItem(store));
  const field = (line) => document.querySelector(`[data-key="${CSS.escape(line)}"]`);
  const row = (line) => document.querySelector(`[data-line="${CSS.escape(line)}"]`);

  function words(text) {
    $("#pending").textContent = text;
  }

  let sending = false;
  async function send() {
    const list = waiting();
    if (sending || list.length === 0) return;
    sending = true;
    let again = 0;
    try {
      const answer = await fetch(`${base}/readings`, {
        method: "POST",
        headers: { "Content-Type": "application/json", [main.dataset.tokenHeader]: main.dataset.token },
        body: JSON.stringify(list),
      });
      if (!answer.ok) {
        words(`${await window.refusal(answer)} What was typed is kept here.`);
        return;
      }
      const outcome = await answer.json();
      const done = new Set([...outcome.acknowledged, ...Object.keys(outcome.refused)]);
      keep(waiting().filter((r) => !done.has(r.id)));
      words(Object.values(outcome.refused).join("; "));
      await load();
    } catch (e) {
      const n = waiting().length;
      words(`${n} ${n === 1 ? "reading waits" : "readings wait"} here until the server is back.`);
      again = AGAIN;
    } finally {
      sending = false;
    }
    // what was typed meanwhile goes at once
    if (waiting().length) setTimeout(send, again);
  }

  function uuid() {
    return crypto.randomUUID ? crypto.randomUUID() : "10000000-1000-4000-8000-100000000000".replace(/[018]/g, (c) => (c ^ (crypto.getRandomValues(new Uint8Array(1))[0] & (15 >> (c / 4)))).toString(16));
  }

  function typed(input) {
    const text = input.value.trim().replace(",", ".").replace("−", "-");
    if (text === "" || text === input.dataset.sent) return;
    const value = Number(text);
    input.toggleAttribute("aria-invalid", !Number.isFinite(value));
    if (!Number.isFinite(value)) {
      words(`"${input.value}" is no number.`);
      return;
    }
    input.dataset.sent = text;
    keep([...waiting(), { id: uuid(), line: input.dataset.key, value, takenAt: new Date().toISOString() }]);
    send();
  }

  document.addEventListener("change", (e) => {
    if (e.target.dataset && e.target.dataset.key) typed(e.target);
  });
  // Enter goes on to the next line: one hand holds the meter
  document.addEventListener("keydown", (e) => {
    if (e.key !== "Enter" || !e.target.dataset || !e.target.dataset.key) return;
    e.preventDefault();
    typed(e.target);
    const all = [...document.querySelectorAll("[data-key]")];
    const next = all[all.indexOf(e.target) + 1];
    if (next) {
      next.focus();
      next.scrollIntoView({ block: "center" });
    }
  });

  // when and by whom, under the value
  function taken(input) {
    const cell = input.closest("td");
    return cell.querySelector(".taken") || cell.appendChild(Object.assign(document.createElement("small"), { className: "taken" }));
  }

  function show(readings) {
    document.querySelectorAll("[data-line]").forEach((r) => r.classList.remove("right", "wrong", "first-wrong"));
    document.querySelectorAll(".out-words").forEach((e) => e.remove());
    let first = null;
    readings.forEach((r) => {
      const input = field(r.line);
      if (!input) return;
      if (document.activeElement !== input) input.value = String(Number(r.value.toPrecision(5)));
      input.dataset.sent = input.value;
      const at = new Date(r.takenAt);
      const today = at.toDateString() === new Date().toDateString();
      taken(input).textContent = `${today ? at.toTimeString().slice(0, 5) : at.toISOString().slice(0, 10)} ${r.sender}`;
      row(r.line).classList.add(r.right ? "right" : "wrong");
      if (!r.right && !first) first = r;
    });
    const verdict = $("#verdict");
    verdict.hidden = readings.length === 0;
    verdict.className = first ? "verdict bad" : "verdict good";
    verdict.textContent = first ? `First out of range: line ${row(first.line).querySelector(".n").textContent}. ${first.words}` : "All that is measured so far is in its range.";
    if (first) {
      row(first.line).classList.add("first-wrong");
    }
    document.body.dataset.readings = String(readings.length);
    prove();
  }

  // what all lines prove together takes a moment; only the newest answer counts
  let proofs = 0;
  async function prove() {
    const mine = ++proofs;
    // a meter sends many readings at once
    await new Promise((go) => setTimeout(go, 250));
    if (mine !== proofs) return;
    try {
      const answer = await window.patient(`${base}/proof`, { cache: "no-store" });
      if (mine === proofs && answer.ok) $("#proof").textContent = await answer.text();
    } catch (e) {
      if (mine === proofs) $("#proof").textContent = "";
    }
  }

  function showNotices(list) {
    $("#notices").textContent = "";
    list.forEach((n) => ($("#notices").appendChild(document.createElement("li")).textContent = n.words));
  }

  // what the server told by itself is newer than an answer that was asked for before, and so is a later answer
  let told = 0;
  let asked = 0;
  let answered = 0;
  async function load(tries = 5) {
    const before = told;
    const mine = ++asked;
    const state = await (await fetch(`${base}/state`, { cache: "no-store" })).json();
    if (mine < answered) return;
    if (told !== before && tries > 0) return load(tries - 1);
    answered = mine;
    show(state.readings);
    showNotices(state.notices);
  }

  // what waits here is newer than what the server has
  function showWaiting() {
    waiting().forEach((r) => {
      const input = field(r.line);
      if (input) input.value = String(r.value);
    });
  }

  const events = new EventSource(`${base}/events`);
  const hear = (name, what) =>
    events.addEventListener(name, (e) => {
      told++;
      what(JSON.parse(e.data));
    });
  hear("readings", show);
  hear("notices", showNotices);
  events.addEventListener("stranger", (e) => words(JSON.parse(e.data).words));
  // after a break, what was missed is asked for
  events.addEventListener("open", () => load().then(showWaiting).then(send).catch(() => {}));
  window.addEventListener("online", send);
  load().then(showWaiting).then(send).catch(send);
})();
