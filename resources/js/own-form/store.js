// What a form in the making holds, and every change of it: stored as it is made, taken back one after the other.

import { newKey, waitingLine } from '../waiting.js';

const desk = document.querySelector('#own-form');

export const state = { items: JSON.parse(desk.dataset.items), chosen: null, faults: JSON.parse(desk.dataset.faults) };

const past = [];
const hearers = { changed: [], judged: [], told: [], refused: [], named: [] };
const hear = (what, ...said) => hearers[what].forEach((hearer) => hearer(...said));

/** Has something done whenever the form has `changed`, was `judged` anew, has something `told`, had a change `refused`, or was `named`. */
export const on = (what, hearer) => hearers[what].push(hearer);

const line = waitingLine({
    shelf: `form:${desk.dataset.form}`,
    url: `/own-forms/${desk.dataset.form}/changes`,
    noun: 'change',
    says: ({ change }) => (change.item ? `${change.item.label || change.item.name || 'A blank'}, changed` : 'A change of this form'),
    told: (words, late = false) => hear('told', words, late),
    stored: settle,
    refused(words, { change }) {
        hear('told', words, true);
        hear('refused', change);
    },
});
const idOf = (change) => change.item?.id ?? change.id ?? change.do;

export function store(change) {
    // A change that was refused is let go of for what is done with the same thing now.
    line.all().filter((one) => one.refused && idOf(one.change) === idOf(change)).forEach((one) => line.drop(one.key));
    line.add({ change });
}

function settle(body) {
    state.faults = body.faults;
    hear('judged');
    if (line.waits() || timer) return;
    hear('told', `saved at ${new Date().toLocaleTimeString('en-US', { hour: 'numeric', minute: '2-digit' }).toLowerCase()}`, false);
    if (JSON.stringify(body.items) !== JSON.stringify(state.items)) {
        state.items = body.items;
        hear('changed');
    }
}

export const copy = (item) => JSON.parse(JSON.stringify(item));
export const find = (id) => state.items.find((item) => item.id === id);
export const placeOf = (id) => state.items.findIndex((item) => item.id === id);
export const canGoBack = () => past.length > 0;

let timer = null;
let held = null;

export function flush() {
    clearTimeout(timer);
    timer = null;
    if (held) store({ do: 'put', item: find(held) });
    held = null;
}

/** Has one item chosen; `go`: and brought into sight. */
export function choose(id, go = false) {
    if (state.chosen !== id) flush();
    state.chosen = id;
    hear('changed', { id, go });
}

/** An item as it is from now on. Steps that follow each other quickly, as with arrow keys, go out as one. */
export function put(item, later = false) {
    const at = placeOf(item.id);
    if (held && held !== item.id) flush();
    if (at < 0) {
        past.push({ do: 'drop', id: item.id });
        state.items.push(item);
    } else {
        if (held !== item.id) past.push({ do: 'put', item: copy(state.items[at]), to: at });
        state.items[at] = item;
    }
    held = item.id;
    hear('changed');
    clearTimeout(timer);
    if (later) timer = setTimeout(flush, 450);
    else flush();
}

export function drop(id) {
    flush();
    const at = placeOf(id);
    if (at < 0) return;
    past.push({ do: 'put', item: copy(state.items[at]), to: at });
    state.items.splice(at, 1);
    choose(state.items[Math.min(at, state.items.length - 1)]?.id ?? null);
    store({ do: 'drop', id });
}

/** Moves an item in the order of filling; false when it stays where it is. */
export function move(id, to) {
    flush();
    const at = placeOf(id);
    const goal = Math.max(0, Math.min(state.items.length - 1, to));
    if (at === goal) return false;
    past.push({ do: 'move', id, to: at });
    state.items.splice(goal, 0, ...state.items.splice(at, 1));
    hear('changed');
    store({ do: 'move', id, to: goal });
    return true;
}

export function back() {
    flush();
    const step = past.pop();
    if (!step) return;
    if (step.do === 'drop') state.items = state.items.filter((one) => one.id !== step.id);
    else if (step.do === 'move') state.items.splice(step.to, 0, ...state.items.splice(placeOf(step.id), 1));
    else if (find(step.item.id)) state.items[placeOf(step.item.id)] = step.item;
    else state.items.splice(step.to, 0, step.item);
    store(step);
    choose(step.item?.id ?? (step.do === 'move' ? step.id : null));
}

// New ones

const blank = {
    mark: false, kind: 'text', name: '', label: '', required: false, binding: '', formula: '', group: '', when: '', options: [], seat: '',
};

/** A new item at a place: what its shape says it is, or one like another. */
export function fresh(page, place, like = null) {
    const id = `n${newKey().replace(/-/g, '').slice(0, 12)}`;
    const kind = place[2] < 14 && place[3] < 14 ? 'tick' : place[3] > 34 ? 'lines' : 'text';
    const base = like ? { ...copy(like), binding: '' } : { ...copy(blank), kind };
    const item = { ...base, id, page, place: place.map((n) => Math.round(n * 100) / 100), formula: '' };
    if (!item.mark) item.name = freeName(like ? like.name.replace(/_\d+$/, '') : item.kind === 'tick' ? 'tick' : 'blank');
    if (item.mark && like) item.seat = like.seat.replace(/\d+$/, (n) => Number(n) + 1);
    return item;
}

export function freeName(stem) {
    const taken = new Set(state.items.map((item) => item.name));
    let name = stem;
    for (let n = 2; taken.has(name); n += 1) name = `${stem}_${n}`;
    return name;
}

export function nameFrom(label) {
    const plain = label.normalize('NFKD').toLowerCase().replace(/[^a-z0-9]+/g, '_').replace(/^_+|_+$/g, '').slice(0, 40);
    return freeName(/^[a-z]/.test(plain) ? plain : `b_${plain}`);
}

/** Changes that were made before and wait on this device are part of what is shown; then they are sent. */
export function resume() {
    for (const { change } of line.all()) {
        if (change.do === 'put') {
            const there = placeOf(change.item.id);
            if (there < 0) state.items.push(change.item);
            else state.items[there] = change.item;
        } else if (change.do === 'drop') state.items = state.items.filter((one) => one.id !== change.id);
        else if (change.do === 'about') hear('named', change);
    }
    hear('judged');
    hear('changed');
    line.send();
}
