// The editor: rows are sent as they are left, one change after the other; the answer's new rows and drawings are put in
// place without touching what is being typed. What could not be stored stays in its row, with the reason beside it.
(function () {
  "use strict";
  const $ = (selector) => document.querySelector(selector);
  const main = $("#edit");
  const slug = main.dataset.slug;
  const draftKey = `jagridge-draft-${slug}`;
  const queue = [];
  let base = Number(main.dataset.base);
  let busy = false;
  // changes wait while a conflict is being decided
  let held = false;

  // ---- sending

  function fieldsOf(container) {
    const fields = {};
    container.querySelectorAll("input[name],select[name],textarea[name]").forEach((f) => (fields[f.name] = window.units.said(f)));
    if (container.dataset.old) fields.old = container.dataset.old;
    return fields;
  }

  // one change: what, its fields, and where to say what is wrong with it
  function send(change) {
    queue.push(change);
    saved();
    next();
  }

  function saved() {
    const pending = queue.length + document.querySelectorAll("tr.pending").length;
    $("#saved").textContent = pending ? `· ${pending} not stored yet` : "· everything is saved";
    document.body.dataset.pending = pending;
  }

  async function next() {
    if (busy || held || !queue.length) return;
    busy = true;
    const change = queue[0];
    let response;
    try {
      response = await fetch(`/circuits/${slug}/${change.keepBoth ? "keep-both" : "edit"}/${change.what}`, {
        method: "POST",
        headers: { [main.dataset.tokenHeader]: main.dataset.token },
        body: new URLSearchParams({ ...change.fields, base: change.base || base }),
      });
    } catch (e) {
      busy = false;
      offline();
      return;
    }
    queue.shift();
    // until the answer is taken in, the next change would not know which revision it is for
    await take(response, change);
    busy = false;
    saved();
    next();
  }

  async function take(response, change) {
    if (response.ok && change.keepBoth) {
      const copy = await response.json();
      window.location = `/circuits/${copy.slug}/edit`;
      return;
    }
    if (response.ok) {
      $("#notice").replaceChildren();
      merge(new DOMParser().parseFromString(await response.text(), "text/html"), change);
      if (change.done) change.done();
    } else if (response.status === 409) {
      conflict(await response.json(), change);
    } else {
      const refusal = await response.json().catch(() => ({}));
      const problems = refusal.problems || [{ message: refusal.detail || `This could not be stored (${response.status}).` }];
      (change.wrong || say)(problems.map((p) => p.message), problems);
    }
  }

  function notice(...children) {
    const box = document.createElement("div");
    box.className = "notice";
    box.setAttribute("role", "alert");
    box.append(...children);
    $("#notice").replaceChildren(box);
    return box;
  }

  function element(name, text, attributes = {}) {
    const e = document.createElement(name);
    e.textContent = text;
    Object.entries(attributes).forEach(([k, v]) => e.setAttribute(k, v));
    return e;
  }

  function say(words) {
    notice(...words.map((w) => element("p", w)));
  }

  function offline() {
    const again = element("button", "Try again", { type: "button" });
    again.addEventListener("click", next);
    notice(element("p", "The server does not answer. What you typed is kept here; try again when it is back. "), again);
    saved();
  }

  // somebody else has changed the circuit: what, and what to do about it
  function conflict(stale, change) {
    const list = document.createElement("ul");
    stale.since.slice(0, 12).forEach((w) => list.append(element("li", w)));
    if (stale.since.length > 12) list.append(element("li", `and ${stale.since.length - 12} more`));
    const choices = [
      ["Put mine on top", () => queue.unshift({ ...change, base: stale.newest })],
      ["Keep both: mine in a circuit of its own", () => queue.unshift({ ...change, keepBoth: true, base: change.base || base })],
      ["Leave mine out", () => location.reload()],
    ].map(([words, act]) => {
      const button = element("button", words, { type: "button" });
      button.addEventListener("click", () => {
        $("#notice").replaceChildren();
        held = false;
        act();
        saved();
        next();
      });
      return button;
    });
    const box = notice(
      element("p", `This circuit has been changed elsewhere since (it is at revision ${stale.newest}, this page shows ${base}). Your change is not stored yet. What changed:`),
      list,
      ...choices,
    );
    box.id = "conflict";
    held = true;
    choices[0].focus();
  }

  // ---- taking the answer in

  const TABLES = ["wires", "parts", "places", "cables"];

  function merge(page, change) {
    const answer = page.querySelector("#edit");
    base = Number(answer.dataset.base);
    $("#revision").textContent = base;
    document.title = page.title;
    ["undo", "redo"].forEach((id) => {
      const now = answer.querySelector(`#${id}`);
      $(`#${id}`).disabled = now.disabled;
      $(`#${id}`).title = now.title;
    });
    if (change.row) change.row.dataset.dirty = "";
    TABLES.forEach((id) => mergeTable($(`#${id}`), answer.querySelector(`#${id}`)));
    const first = $("#first");
    if (first && !answer.querySelector("#first")) first.remove();
    const places = answer.querySelector("#pick-place");
    if (places.innerHTML !== $("#pick-place").innerHTML) $("#pick-place").replaceChildren(...places.cloneNode(true).children);
    ["wires", "parts"].forEach((id) => ($(`#count-${id}`).textContent = answer.querySelector(`#count-${id}`).textContent));
    ["#drawing-connections", "#drawing-ladder"].forEach((id) => window.drawingsCome.comeFrom($(id), answer.querySelector(id).dataset.from));
    // a list that is open under a field must not be taken from it
    answer.querySelectorAll("#lists datalist").forEach((list) => {
      const mine = document.getElementById(list.id);
      if (mine.innerHTML !== list.innerHTML) mine.innerHTML = list.innerHTML;
    });
    findings();
  }

  // rows with the focus or with unsent changes are left alone
  function mergeTable(here, there) {
    const keep = new Set([...there.rows].map((r) => r.id));
    [...here.rows].forEach((row) => {
      if (!keep.has(row.id)) row.remove();
    });
    let at = null;
    [...there.rows].forEach((row) => {
      const mine = document.getElementById(row.id);
      if (!mine) {
        here.insertBefore(document.importNode(row, true), at ? at.nextSibling : here.firstChild);
      } else if (!mine.contains(document.activeElement) && !mine.dataset.dirty && mine.innerHTML !== row.innerHTML) {
        mine.replaceWith(document.importNode(row, true));
      }
      at = document.getElementById(row.id);
    });
  }

  let findingsTimer = null;
  function findings() {
    clearTimeout(findingsTimer);
    findingsTimer = setTimeout(async () => {
      const asked = base;
      const response = await fetch(`/circuits/${slug}/edit/findings`).catch(() => null);
      if (!response || !response.ok || asked !== base) return;
      const page = new DOMParser().parseFromString(await response.text(), "text/html");
      $("#findings-body").replaceChildren(document.importNode(page.querySelector("#findings"), true));
      document.body.dataset.checked = asked;
    }, 150);
  }

  // ---- rows

  const fieldOf = (problem) => (problem.path || "").split("/")[1];

  // what is wrong with each field, and a button for what would do
  function wrongRow(row, words, problems = []) {
    row.classList.add("wrong");
    row.querySelectorAll("[aria-invalid]").forEach((f) => f.removeAttribute("aria-invalid"));
    problems.forEach((p) => {
      const field = fieldOf(p) && row.querySelector(`[name="${CSS.escape(fieldOf(p))}"]`);
      if (field) field.setAttribute("aria-invalid", "true");
    });
    let line = row.nextElementSibling;
    if (!line || !line.classList.contains("row-words")) {
      line = document.createElement("tr");
      line.className = "row-words";
      line.append(element("td", "", { colspan: row.cells.length, role: "alert" }));
      row.after(line);
    }
    line.cells[0].replaceChildren(
      element("span", `${words.join("; ")} `),
      ...offers(row, problems, () => (row.classList.contains("pending") ? sendPending(row) : changeRow(row))),
    );
    keepDraft();
  }

  // one button for each thing that would do; with it the row or line is sent again
  function offers(container, problems, again) {
    // what is wrong with a chain is told by its pieces; what would do is a line
    const place = (p) => container.querySelector(container.id === "chain" ? "#line" : `[name="${CSS.escape(fieldOf(p) || "")}"]`);
    return problems
      .filter((p) => p.instead && place(p))
      .map((p) => {
        const button = element("button", p.instead, { type: "button", class: "offer" });
        button.addEventListener("click", () => {
          const field = place(p);
          field.value = p.instead;
          button.remove();
          field.focus();
          if (container.id === "chain" || problems.every((q) => q === p || q.taken)) again();
          p.taken = true;
        });
        return button;
      });
  }

  function right(row) {
    row.classList.remove("wrong");
    row.querySelectorAll("[aria-invalid]").forEach((f) => f.removeAttribute("aria-invalid"));
    const line = row.nextElementSibling;
    if (line && line.classList.contains("row-words")) line.remove();
  }

  function changeRow(row) {
    right(row);
    send({ what: row.dataset.what, fields: fieldsOf(row), row, wrong: (words, problems) => wrongRow(row, words, problems), done: () => {
      right(row);
      keepDraft();
    } });
  }

  // the new row's values go into a row of their own until they are stored, so that typing goes on at once
  function addRow(row) {
    const fields = fieldsOf(row);
    const typed = Object.entries(fields).some(([name, v]) => v.trim() && !["run", "fitted"].includes(name) && !row.querySelector(`[name="${name}"]`).hasAttribute("data-keep"));
    if (!typed) return;
    const pending = pendingRow(row);
    row.querySelectorAll("input[name],select[name]").forEach((f) => {
      const copy = pending.querySelector(`[name="${f.name}"]`);
      copy.value = f.value;
      if (f.tagName === "INPUT" && !f.hasAttribute("data-keep")) f.value = "";
    });
    row.querySelector("input").focus();
    sendPending(pending);
  }

  // a row of its own for values that aren't stored yet
  function pendingRow(row) {
    const pending = row.cloneNode(true);
    pending.querySelectorAll("[id]").forEach((e) => e.removeAttribute("id"));
    pending.classList.replace("new-row", "pending");
    const discard = element("button", "discard", { type: "button", class: "quiet" });
    discard.addEventListener("click", () => {
      right(pending);
      pending.remove();
      keepDraft();
    });
    pending.querySelector("[data-add]").after(" ", discard);
    row.before(pending);
    return pending;
  }

  function sendPending(pending) {
    right(pending);
    send({
      what: pending.dataset.what,
      fields: fieldsOf(pending),
      wrong: (words, problems) => wrongRow(pending, words, problems),
      done: () => {
        right(pending);
        pending.remove();
        keepDraft();
      },
    });
    keepDraft();
  }

  // rows that could not be stored survive the page
  function keepDraft() {
    const rows = [...document.querySelectorAll("tr.pending, tr.wrong[data-old]")].map((r) => ({ what: r.dataset.what, fields: fieldsOf(r) }));
    const line = $("#line").value.trim();
    if (line) rows.push({ what: "chain", fields: { line } });
    if (rows.length) localStorage.setItem(draftKey, JSON.stringify(rows));
    else localStorage.removeItem(draftKey);
    saved();
  }

  function restoreDraft() {
    let rows = [];
    try {
      rows = JSON.parse(localStorage.getItem(draftKey)) || [];
    } catch (e) {
      localStorage.removeItem(draftKey);
    }
    rows.forEach(({ what, fields }) => {
      if (what === "chain") {
        $("#line").value = fields.line;
        return;
      }
      const there = fields.old && document.querySelector(`tr[data-what="${what}"][data-old="${CSS.escape(fields.old)}"]`);
      if (fields.old && !there) return;
      if (there) there.dataset.dirty = "yes";
      const pending = there || pendingRow(document.querySelector(`tr.new-row[data-what="${what}"]`));
      Object.entries(fields).forEach(([name, value]) => {
        const field = pending.querySelector(`[name="${name}"]`);
        if (field) field.value = value;
      });
      wrongRow(pending, ["not stored yet; mend it and press Enter, or remove it"]);
    });
    saved();
  }

  document.addEventListener("input", (e) => {
    const row = e.target.closest("tr[data-old]");
    if (row) row.dataset.dirty = "yes";
    if (e.target.id === "line") keepDraft();
    const type = e.target.closest('input[list="types"]');
    if (type) hint(type);
  });

  // the ratings that a type has, as soon as it is named
  function hint(type) {
    const option = document.querySelector(`#types option[value="${CSS.escape(type.value)}"]`);
    const ratings = type.closest("tr").querySelector('[name="params"]');
    if (option && ratings) {
      ratings.placeholder = option.dataset.ratings;
      ratings.title = option.dataset.ratings;
    }
  }

  document.addEventListener("change", (e) => {
    const row = e.target.closest("tr[data-old]");
    if (row) changeRow(row);
    if (e.target.id === "pick" && e.target.value) {
      send({ what: "part", fields: { type: e.target.value, place: $("#pick-place").value }, wrong: (words) => say(words) });
      e.target.value = "";
    }
    if (e.target.id === "wire-list" || e.target.id === "circuit-file") readFile(e.target);
  });

  document.addEventListener("click", (e) => {
    const remove = e.target.closest("[data-remove]");
    if (remove) {
      const row = remove.closest("tr");
      send({ what: `remove-${remove.dataset.remove}`, fields: { old: row.dataset.old }, wrong: (words) => wrongRow(row, words) });
    }
    const copy = e.target.closest("[data-copy]");
    if (copy) send({ what: "copies", fields: { parts: copy.closest("tr").dataset.old } });
    const add = e.target.closest("[data-add]");
    if (add) {
      const row = add.closest("tr");
      if (row.classList.contains("pending")) sendPending(row);
      else addRow(row);
    }
    const tab = e.target.closest('[role="tab"]');
    if (tab) showTab(tab);
    const act = e.target.closest("[data-act]");
    if (act) send({ what: act.dataset.act, fields: {} });
    const show = e.target.closest("[data-show]");
    if (show) showDrawing(show.dataset.show);
  });

  document.addEventListener("submit", (e) => {
    const form = e.target.closest("form[data-what]");
    if (!form) return;
    e.preventDefault();
    const words = form.querySelector(".wrong-words");
    words.textContent = "";
    const field = form.querySelector("#line,#paste,#copied");
    send({
      what: form.dataset.what,
      fields: fieldsOf(form),
      wrong: (w, problems) =>
        words.replaceChildren(element("span", `${w.join("; ")} `), ...offers(form, problems, () => form.requestSubmit())),
      done: () => {
        if (field) field.value = "";
        keepDraft();
      },
    });
  });

  async function readFile(input) {
    const file = input.files[0];
    if (!file) return;
    const form = input.closest("form");
    const words = form.querySelector(".wrong-words");
    words.textContent = "";
    if (file.size > 5 * 1024 * 1024) {
      words.textContent = "The file has more than 5 MB.";
      return;
    }
    let text;
    try {
      const bytes = new Uint8Array(await file.arrayBuffer());
      const wide = (bytes[0] === 0xff && bytes[1] === 0xfe) || (bytes[0] === 0xfe && bytes[1] === 0xff);
      text = new TextDecoder(wide ? (bytes[0] === 0xff ? "utf-16le" : "utf-16be") : "utf-8", { fatal: true }).decode(bytes);
    } catch (e) {
      words.textContent = "The file is not UTF-8 text; save it from the spreadsheet as \u201cCSV UTF-8\u201d and try again.";
      return;
    }
    send({ what: form.dataset.what, fields: { [form.dataset.what === "circuit" ? "json" : "text"]: text }, wrong: (w) => (words.textContent = w.slice(0, 8).join("; ")), done: () => (input.value = "") });
  }

  // several cells pasted into the new wire row: all rows at once
  document.addEventListener("paste", (e) => {
    const row = e.target.closest && e.target.closest('tr.new-row[data-what="wire"]');
    const text = e.clipboardData.getData("text/plain");
    if (!row || !/[\t\n]/.test(text.trim())) return;
    e.preventDefault();
    $("#paste").value = text;
    send({
      what: "paste",
      fields: { text },
      wrong: (w) => {
        showTab($("#tab-files"));
        $("#paste").closest("form").querySelector(".wrong-words").textContent = w.join("; ");
        $("#paste").focus();
      },
      done: () => ($("#paste").value = ""),
    });
  });

  const drawing = window.editDrawing(send, say);

  // ---- tabs

  function showTab(tab) {
    document.querySelectorAll('[role="tab"]').forEach((t) => {
      const chosen = t === tab;
      t.setAttribute("aria-selected", String(chosen));
      t.tabIndex = chosen ? 0 : -1;
      document.getElementById(t.getAttribute("aria-controls")).hidden = !chosen;
    });
  }

  function showDrawing(name) {
    ["connections", "ladder"].forEach((n) => {
      $(`#drawing-${n}`).hidden = n !== name;
      $(`[data-show="${n}"]`).setAttribute("aria-pressed", String(n === name));
    });
    $("#drawing-hint").hidden = name !== "connections";
    const port = $(`#drawing-${name}`);
    window.drawingsCome.comeFrom(port, port.dataset.from);
    window.drawings.showAll();
  }

  // ---- keys

  document.addEventListener("keydown", (e) => {
    const typing = e.target.closest("input,select,textarea");
    const key = e.key.toLowerCase();
    if ((e.ctrlKey || e.metaKey) && !typing && (key === "z" || key === "y")) {
      e.preventDefault();
      $(key === "y" || e.shiftKey ? "#redo" : "#undo").click();
      return;
    }
    if (e.key === "Escape") {
      drawing.letGo();
      if (typing) typing.blur();
      return;
    }
    if (e.key === "Enter" && typing && typing.closest("tr")) {
      const row = typing.closest("tr");
      e.preventDefault();
      if (row.classList.contains("new-row")) addRow(row);
      else if (row.classList.contains("pending")) sendPending(row);
      else if (row.dataset.dirty) typing.dispatchEvent(new Event("change", { bubbles: true }));
      return;
    }
    const tab = e.target.closest('[role="tab"]');
    if (tab && (e.key === "ArrowRight" || e.key === "ArrowLeft")) {
      const tabs = [...document.querySelectorAll('[role="tab"]')];
      const other = tabs[(tabs.indexOf(tab) + (e.key === "ArrowRight" ? 1 : tabs.length - 1)) % tabs.length];
      showTab(other);
      other.focus();
      return;
    }
    if (typing) return;
    if (drawing.key(e)) {
      e.preventDefault();
      return;
    }
    if (e.ctrlKey || e.metaKey || e.altKey) return;
    if (e.key === "/") {
      e.preventDefault();
      $("#line").focus();
    } else if (e.key === "n") {
      e.preventDefault();
      showTab($("#tab-wires"));
      $("#new-from").focus();
    } else if (e.key === "p") {
      e.preventDefault();
      showTab($("#tab-parts"));
      $("#new-parts [name=id]").focus();
    } else if (e.key === "?") {
      $("#help").showModal();
    }
  });

  document.addEventListener("drawing:came", drawing.prepare);
  restoreDraft();
  findings();
})();
