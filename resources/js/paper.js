// Filling a paper on the page. Each entry is stored when it is left; while there is no connection entries wait on the
// device, in order, and are sent when it is back. An entry carries its own key, so that it is stored once.

import { waitingLine } from './waiting.js';

const paper = document.querySelector('[data-paper]');
const url = paper.dataset.entries || `/papers/${paper.dataset.paper}/entries`;
const shelf = `unanimus:entries:${url}`;
const stored = document.querySelector('#stored');
const ask = document.querySelector('#ask-term');
const blanks = [...document.querySelectorAll('[data-blank]')];
const known = new Map(blanks.map((field) => [field.dataset.blank, read(field)]));

function read(field) {
    return field.type === 'checkbox' ? (field.checked ? 'x' : '') : field.value;
}

const line = waitingLine({
    shelf,
    url,
    noun: ['entry', 'entries'],
    told(words) {
        stored.className = 'stored waiting';
        stored.textContent = words;
    },
    stored: show,
    refused(words, entry, body) {
        if (body.theirs !== undefined) meet(entry, body);
        else refuse(entry, words);
    },
});

function put(blank, value, scope = 'here', seen = undefined) {
    line.add({ blank, value, scope, seen });
}

function show(body, entry) {
    stored.className = 'stored';
    stored.textContent = `stored ${body.stored}`;
    for (const field of blanks) {
        const now = body.blanks[field.dataset.blank];
        const busy = field === document.activeElement && read(field) !== known.get(field.dataset.blank);
        if (!now || busy || line.all().some((other) => other.blank === field.dataset.blank)) continue;
        if (field.type === 'checkbox') field.checked = now.shown !== '';
        else if (field.value !== now.shown) field.value = now.shown;
        known.set(field.dataset.blank, read(field));
        const missing = body.missing.includes(field.dataset.blank);
        field.classList.toggle('missing', missing);
        field.classList.toggle('departs', now.departs);
        if (field.dataset.blank === entry.blank) field.classList.remove('wrong');
        field.title = `${field.getAttribute('aria-label')} · ${now.source}`;
        const row = document.querySelector(`[data-list="${CSS.escape(field.dataset.blank)}"]`);
        if (row) {
            row.classList.toggle('missing', missing);
            row.querySelector('.value').textContent = field.type === 'checkbox' ? (field.checked ? 'ticked' : '') : now.shown;
            row.querySelector('small').textContent = missing ? 'required' : now.source;
        }
    }
    count(body.missing);
    if (body.ask && ask) {
        ask.hidden = false;
        ask.dataset.blank = body.ask.blank;
        ask.querySelector('#ask-text').textContent = `${body.ask.term} is ${body.ask.there || 'empty'} in the file's terms and ${body.ask.here || 'empty'} here.`
            + (body.ask.follow.length ? ` If the term changes, ${listed(body.ask.follow)} ${body.ask.follow.length === 1 ? 'follows' : 'follow'}.` : '')
            + (body.ask.differ.length ? ` ${listed(body.ask.differ)} ${body.ask.differ.length === 1 ? 'is' : 'are'} out or signed and would differ.` : '');
    } else if (ask && entry.blank === ask.dataset.blank) {
        ask.hidden = true;
    }
}

// Someone entered something else there meanwhile: both are shown, one field after the other, and a person decides.
const meetings = [];

function meet(entry, body) {
    meetings.push({ blank: entry.blank, mine: entry.value, theirs: body.theirs, who: body.who });
    stored.className = 'stored waiting';
    stored.textContent = body.message;
    showMeeting();
}

function showMeeting() {
    const box = document.querySelector('#met');
    const next = meetings[0];
    if (!box) return;
    box.hidden = !next;
    if (!next) return;
    const field = blanks.find((one) => one.dataset.blank === next.blank);
    box.querySelector('#met-text').textContent = `${field.getAttribute('aria-label')}: ${next.who} entered “${next.theirs || 'nothing'}” meanwhile, you “${next.mine || 'nothing'}”.`;
    field.classList.add('wrong');
}

document.querySelectorAll('[data-met]').forEach((button) => button.addEventListener('click', () => {
    const met = meetings.shift();
    const field = blanks.find((one) => one.dataset.blank === met.blank);
    field.classList.remove('wrong');
    const value = button.dataset.met === 'mine' ? met.mine : met.theirs;
    if (field.type === 'checkbox') field.checked = value !== '';
    else field.value = value;
    known.set(met.blank, read(field));
    if (button.dataset.met === 'mine') put(met.blank, met.mine, 'here', met.theirs);
    else { stored.className = 'stored'; stored.textContent = 'theirs stands'; }
    showMeeting();
    field.focus();
}));

// What others enter appears while one looks on, and who they are.
async function look() {
    if (document.hidden || line.busy() || !paper.dataset.standing) return;
    try {
        const answer = await fetch(paper.dataset.standing, { headers: { Accept: 'application/json' } });
        if (!answer.ok) return;
        const body = await answer.json();
        const before = stored.textContent;
        if (line.busy()) return;
        show({ ...body, ask: null }, { blank: '' });
        stored.textContent = before;
        document.querySelector('#here').textContent = body.here.length ? `${listed(body.here)} ${body.here.length === 1 ? 'is' : 'are'} here too` : '';
    } catch { /* no connection: entries tell of it */ }
}
if (paper.dataset.standing) {
    setInterval(look, 7000);
    setTimeout(look, 600);
}

function listed(names) {
    return names.length > 1 ? `${names.slice(0, -1).join(', ')} and ${names.at(-1)}` : names[0];
}

function refuse(entry, message) {
    const field = blanks.find((one) => one.dataset.blank === entry.blank);
    stored.className = 'stored waiting';
    stored.textContent = message;
    field?.classList.add('wrong');
    field?.focus();
}

function count(all) {
    // On a client's page only their own blanks count.
    const missing = all.filter((name) => known.has(name));
    const left = document.querySelector('#left');
    left.textContent = missing.length === 0 ? 'nothing missing' : missing.length === 1 ? 'one blank missing' : `${missing.length} blanks missing`;
    left.className = missing.length === 0 ? 'ok' : 'hot';
    document.querySelectorAll('[data-count]').forEach((place) => {
        const n = blanks.filter((field) => field.closest('[data-page]').dataset.page === place.dataset.count && missing.includes(field.dataset.blank)).length;
        place.textContent = n || '';
    });
}

function leave(field) {
    const value = read(field);
    const seen = known.get(field.dataset.blank);
    if (value === seen) return;
    known.set(field.dataset.blank, value);
    // What was seen there goes along, so that nobody's entry is overwritten unseen.
    put(field.dataset.blank, value, 'here', seen);
}

for (const field of blanks) {
    field.addEventListener(field.type === 'checkbox' || field.tagName === 'SELECT' ? 'change' : 'blur', () => leave(field));
    // What is being typed survives a crash of the browser too.
    field.addEventListener('input', () => field.type !== 'checkbox' && sessionStorage.setItem(`${shelf}:typing`, JSON.stringify({ blank: field.dataset.blank, value: field.value })));
    field.addEventListener('keydown', (event) => {
        if (event.key !== 'Enter' || (event.shiftKey && field.tagName === 'TEXTAREA')) return;
        event.preventDefault();
        next(field);
    });
    field.addEventListener('focus', () => {
        document.querySelector(`[data-list="${CSS.escape(field.dataset.blank)}"]`)?.scrollIntoView({ block: 'nearest' });
    });
}

// Enter: the next blank that is still missing; when none is, simply the next.
function next(field) {
    leave(field);
    const after = blanks.slice(blanks.indexOf(field) + 1);
    const wanted = after.find((one) => one.classList.contains('missing') && read(one) === '') || blanks.find((one) => one !== field && one.classList.contains('missing') && read(one) === '') || after[0];
    wanted?.focus();
    wanted?.scrollIntoView({ block: 'center' });
}

document.querySelector('#next-missing')?.addEventListener('click', () => {
    const first = blanks.find((one) => one.classList.contains('missing') && read(one) === '');
    first?.focus();
    first?.scrollIntoView({ block: 'center' });
});
document.querySelectorAll('[data-go]').forEach((button) => button.addEventListener('click', () => {
    const field = blanks.find((one) => one.dataset.blank === button.dataset.go);
    field?.focus();
    field?.scrollIntoView({ block: 'center' });
}));
document.querySelectorAll('[data-answer]').forEach((button) => button.addEventListener('click', () => {
    ask.hidden = true;
    const field = blanks.find((one) => one.dataset.blank === ask.dataset.blank);
    if (button.dataset.answer !== 'here') put(ask.dataset.blank, read(field), button.dataset.answer);
    field.focus();
}));
document.addEventListener('keydown', (event) => {
    if ((event.key === '[' || event.key === ']') && !event.target.matches('[data-blank]:not([type=checkbox])')) {
        const pages = [...document.querySelectorAll('[data-page]')];
        const now = pages.findIndex((page) => page.getBoundingClientRect().bottom > 80);
        pages[Math.max(0, Math.min(pages.length - 1, now + (event.key === ']' ? 1 : -1)))]?.scrollIntoView();
    }
});

window.addEventListener('beforeunload', (event) => {
    if (document.activeElement?.matches?.('[data-blank]')) leave(document.activeElement);
    if (line.all().length) event.preventDefault();
});

// Entries that waited, and what was being typed when the browser went away, come back.
for (const entry of line.all()) {
    const field = blanks.find((one) => one.dataset.blank === entry.blank);
    if (field && entry.scope === 'here') {
        if (field.type === 'checkbox') field.checked = entry.value !== '';
        else field.value = entry.value;
        known.set(entry.blank, read(field));
    }
}
const typing = JSON.parse(sessionStorage.getItem(`${shelf}:typing`) || 'null');
sessionStorage.removeItem(`${shelf}:typing`);
if (typing) {
    const field = blanks.find((one) => one.dataset.blank === typing.blank);
    if (field && field.type !== 'checkbox' && field.value !== typing.value && performance.getEntriesByType('navigation')[0]?.type === 'reload') {
        field.value = typing.value;
        leave(field);
    }
}
if (line.all().length) line.send();

// "#price" in the address: the blank that something was found at.
const wanted = blanks.find((one) => one.dataset.blank === decodeURIComponent(location.hash.slice(1)));
if (wanted) {
    wanted.scrollIntoView({ block: 'center' });
    wanted.focus();
}
