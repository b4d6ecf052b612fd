// Filling a paper on the page. Each entry is stored when it is left; while there is no connection entries wait on the
// device, in order, and are sent when it is back. An entry carries its own key, so that it is stored once. What is refused
// stays in its blank and on the device until something else is entered there or it is let go.

import { entryBar } from './entry-bar.js';
import { word } from './entry-words.js';
import { shelfOf } from './shelf.js';
import { waitingLine } from './waiting.js';

const paper = document.querySelector('[data-paper]');
const url = paper.dataset.entries || `/papers/${paper.dataset.paper}/entries`;
const shelf = `entries:${url}`;
const typing = shelfOf(`typing:${url}`);
const met = new Map();
const stored = document.querySelector('#stored');
const ask = document.querySelector('#ask-term');
const blanks = [...document.querySelectorAll('[data-blank]')];
const known = new Map(blanks.map((field) => [field.dataset.blank, read(field)]));

const bar = entryBar({ blanks, next, leave, stored });

function read(field) {
    return field.type === 'checkbox' ? (field.checked ? 'x' : '') : field.value;
}

const line = waitingLine({
    shelf,
    url,
    says: (entry) => `${labelOf(entry.blank)}: “${entry.value.length > 60 ? `${entry.value.slice(0, 60)}…` : entry.value || word('nothing')}”`,
    told(words) {
        stored.className = 'stored waiting';
        stored.textContent = words;
    },
    stored: show,
    refused(words, entry, body) {
        if (body.theirs !== undefined) {
            met.set(entry.key, { theirs: body.theirs, who: body.who });
            meet(entry, words);
        } else refuse(entry, words);
    },
});

function labelOf(blank) {
    return blanks.find((one) => one.dataset.blank === blank)?.getAttribute('aria-label') ?? blank;
}

// How much was entered here: an answer about how things stood before is of no use after.
let entered = 0;

function put(blank, value, scope = 'here', seen = undefined, from = undefined) {
    entered++;
    // What was refused in this blank is let go of for what is entered there now.
    line.all().filter((one) => one.refused && one.blank === blank).forEach((one) => line.drop(one.key));
    line.add({ blank, value, scope, seen, from });
}

function show(body, entry) {
    stored.className = 'stored';
    stored.textContent = word('saved', { time: body.stored });
    for (const field of blanks) {
        const now = body.blanks[field.dataset.blank];
        // What is being typed is nobody's to change, on the page or in the bar.
        const busy = (field === document.activeElement || field === bar.at()) && read(field) !== known.get(field.dataset.blank);
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
            row.querySelector('.value').textContent = field.type === 'checkbox' ? (field.checked ? word('checked') : '') : now.shown;
            row.querySelector('small').textContent = missing ? row.dataset.wants : now.source;
        }
    }
    count(body.missing);
    if (body.ask && ask) {
        ask.hidden = false;
        ask.dataset.blank = body.ask.blank;
        ask.dataset.there = body.ask.there;
        ask.querySelector('#ask-text').textContent = `${body.ask.term} is ${body.ask.there || 'empty'} in the file's terms and ${body.ask.here || 'empty'} here.`
            + (body.ask.follow.length ? ` If the term changes, ${listed(body.ask.follow)} ${body.ask.follow.length === 1 ? 'follows' : 'follow'}.` : '')
            + (body.ask.differ.length ? ` ${listed(body.ask.differ)} ${body.ask.differ.length === 1 ? 'is' : 'are'} out or signed and would differ.` : '');
    } else if (ask && entry.blank === ask.dataset.blank) {
        ask.hidden = true;
    }
}

function keepTyping(field) {
    const blank = field.dataset.blank;
    typing.drop(blank);
    typing.add({ key: blank, draft: true, url, says: `${labelOf(blank)}: “${field.value.slice(0, 60)}”`, what: { blank, value: field.value, scope: 'here', seen: known.get(blank) } });
}

// Someone entered something else there meanwhile: both are shown, one field after the other, and a person decides.
const meetings = [];

function meet(entry, words) {
    meetings.push({ key: entry.key, blank: entry.blank, mine: entry.value, scope: entry.scope, ...met.get(entry.key) });
    stored.className = 'stored waiting';
    stored.textContent = words;
    showMeeting();
}

function showMeeting() {
    const box = document.querySelector('#met');
    const next = meetings[0];
    if (!box) return;
    box.hidden = !next;
    if (!next) return;
    const field = blanks.find((one) => one.dataset.blank === next.blank);
    box.querySelector('#met-text').textContent = word('met', {
        label: field.getAttribute('aria-label'), who: next.who, theirs: next.theirs || word('nothing'), mine: next.mine || word('nothing'),
    });
    field.classList.add('wrong');
}

document.querySelectorAll('[data-met]').forEach((button) => button.addEventListener('click', () => {
    const one = meetings.shift();
    const field = blanks.find((other) => other.dataset.blank === one.blank);
    field.classList.remove('wrong');
    line.drop(one.key);
    const value = button.dataset.met === 'mine' ? one.mine : one.theirs;
    if (field.type === 'checkbox') field.checked = value !== '';
    else field.value = value;
    known.set(one.blank, read(field));
    if (button.dataset.met === 'mine') put(one.blank, one.mine, one.scope ?? 'here', one.theirs);
    else { stored.className = 'stored'; stored.textContent = word('theirs'); }
    showMeeting();
    field.focus();
}));

// What others enter appears while one looks on, and who they are.
async function look() {
    if (document.hidden || line.busy() || !paper.dataset.standing) return;
    const until = entered;
    try {
        const answer = await fetch(paper.dataset.standing, { headers: { Accept: 'application/json' } });
        if (!answer.ok) return;
        const body = await answer.json();
        const before = stored.textContent;
        if (line.busy() || entered !== until) return;
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
    left.textContent = word(missing.length === 0 ? 'none' : missing.length === 1 ? 'one' : 'many', { count: missing.length });
    left.className = missing.length === 0 ? 'ok' : 'hot';
    const onward = document.querySelector('#onward');
    if (onward) onward.hidden = missing.length > 0;
    const step = document.querySelector('#next-missing');
    if (step) step.hidden = missing.length === 0 && !paper.dataset.entries;
    document.querySelectorAll('[data-count]').forEach((place) => {
        const n = blanks.filter((field) => field.closest('[data-page]').dataset.page === place.dataset.count && missing.includes(field.dataset.blank)).length;
        place.textContent = n || '';
    });
}

function leave(field) {
    const value = read(field);
    const seen = known.get(field.dataset.blank);
    if (value === seen) return typing.drop(field.dataset.blank);
    known.set(field.dataset.blank, value);
    typing.drop(field.dataset.blank);
    // What was seen there goes along, so that nobody's entry is overwritten unseen.
    put(field.dataset.blank, value, 'here', seen);
}

for (const field of blanks) {
    field.addEventListener(field.type === 'checkbox' || field.tagName === 'SELECT' ? 'change' : 'blur', () => leave(field));
    // What is being typed survives the death of the tab and of the browser too.
    field.addEventListener('input', () => field.type !== 'checkbox' && keepTyping(field));
    field.addEventListener('keydown', (event) => {
        if (event.key !== 'Enter' || (event.shiftKey && field.tagName === 'TEXTAREA')) return;
        event.preventDefault();
        if (!event.repeat) next(field);
    });
    field.addEventListener('focus', () => {
        document.querySelector(`[data-list="${CSS.escape(field.dataset.blank)}"]`)?.scrollIntoView({ block: 'nearest' });
    });
}

// Enter: the next blank that is still missing; when none is, simply the next.
function next(field) {
    const wasMissing = field.classList.contains('missing');
    leave(field);
    const after = blanks.slice(blanks.indexOf(field) + 1);
    const lacks = (one) => one !== field && one.classList.contains('missing') && read(one) === '';
    const missing = after.find(lacks) || blanks.find(lacks);
    // After the last one Enter goes on to the next paper that has some, once everything here is stored.
    const onward = document.querySelector('#onward a');
    if (!missing && onward && wasMissing && read(field) !== '') {
        const onwards = () => (line.busy() ? setTimeout(onwards, 60) : document.querySelector('#onward').hidden || field.classList.contains('wrong') || onward.click());
        setTimeout(onwards, 60);
        return field;
    }
    const wanted = missing || after[0];
    wanted && go(wanted);
    return wanted ?? null;
}

// A box is only shown in the bar when it is come to, for a tap on it checks it.
function go(field) {
    if (bar.opens(field)) return;
    field.focus();
    field.scrollIntoView({ block: 'center' });
}

// A value carried over from what stands beside the page.
document.addEventListener('unanimus:use', (event) => {
    const { blank, value, from } = event.detail;
    const field = blanks.find((one) => one.dataset.blank === blank);
    const seen = known.get(blank);
    if (field.type === 'checkbox') field.checked = value !== '';
    else field.value = value;
    if (read(field) === seen) return;
    known.set(blank, read(field));
    typing.drop(blank);
    put(blank, read(field), 'here', seen, from);
});

document.querySelector('#next-missing')?.addEventListener('click', () => {
    const first = blanks.find((one) => one.classList.contains('missing') && read(one) === '');
    first && go(first);
});
document.querySelectorAll('[data-go]').forEach((button) => button.addEventListener('click', () => {
    const field = blanks.find((one) => one.dataset.blank === button.dataset.go);
    field && go(field);
}));
document.querySelectorAll('[data-answer]').forEach((button) => button.addEventListener('click', () => {
    ask.hidden = true;
    const field = blanks.find((one) => one.dataset.blank === ask.dataset.blank);
    if (button.dataset.answer !== 'here') put(ask.dataset.blank, read(field), button.dataset.answer, button.dataset.answer === 'term' ? ask.dataset.there : undefined);
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
    if (bar.at()) leave(bar.at());
    if (line.waits()) event.preventDefault();
});

// Entries that waited or were refused, and what was being typed when the browser went away, come back into their blanks.
for (const entry of line.all()) {
    const field = blanks.find((one) => one.dataset.blank === entry.blank);
    if (!field || entry.scope !== 'here') continue;
    if (field.type === 'checkbox') field.checked = entry.value !== '';
    else field.value = entry.value;
    known.set(entry.blank, read(field));
    if (entry.answer?.theirs !== undefined) {
        met.set(entry.key, entry.answer);
        meet(entry, entry.refused);
    } else if (entry.refused) {
        field.classList.add('wrong');
        stored.className = 'stored waiting';
        stored.textContent = `${labelOf(entry.blank)}: ${entry.refused}`;
    }
}
for (const one of typing.all()) {
    const field = blanks.find((other) => other.dataset.blank === one.key);
    if (!field || field.type === 'checkbox' || field.value === one.what.value) {
        typing.drop(one.key);
        continue;
    }
    // It goes out when the blank is left, as if it had just been typed.
    known.set(one.key, one.what.seen);
    field.value = one.what.value;
    stored.className = 'stored waiting';
    stored.textContent = word('back');
    field.focus();
}
// What was let go of elsewhere is no longer wrong here.
document.addEventListener('unanimus:held', () => {
    for (const field of blanks) {
        if (!field.classList.contains('wrong') || field === document.activeElement || line.all().some((one) => one.blank === field.dataset.blank)) continue;
        field.classList.remove('wrong');
    }
});
if (line.waits()) line.send();

// "#price" in the address: the blank that something was found at.
const wanted = blanks.find((one) => one.dataset.blank === decodeURIComponent(location.hash.slice(1)));
if (wanted) {
    wanted.scrollIntoView({ block: 'center' });
    wanted.focus();
} else if (document.activeElement === document.body && !matchMedia('(pointer: coarse)').matches && document.querySelector('#left')?.closest('.blanks')) {
    const first = blanks.find((one) => one.classList.contains('missing') && read(one) === '');
    first?.focus({ preventScroll: true });
    if (first && first.getBoundingClientRect().bottom > innerHeight) first.scrollIntoView({ block: 'center' });
}
