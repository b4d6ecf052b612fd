// What is put over the pages of a paper by hand: what the server has, what still waits on this device, and what is chosen.

import { waitingLine } from '../waiting.js';

export const desk = document.querySelector('[data-pieces]');
export const words = { text: 'text', tick: 'tick', date: 'date', line: 'line-through', cover: 'cover' };
export const state = { pieces: JSON.parse(desk.dataset.pieces), writing: false, chosen: null, frame: null };

const told = document.querySelector('#layer-told');
let drawn = () => {};

/** Says what is done when something stands otherwise than before. */
export const whenChanged = (draw) => { drawn = draw; };
export const changed = () => drawn();

export function say(what, late = false) {
    told.textContent = what;
    told.className = late ? 'stored waiting' : 'stored';
}

const line = waitingLine({
    shelf: `pieces:${desk.dataset.paper}`,
    url: `/papers/${desk.dataset.paper}/pieces`,
    noun: 'change',
    says(change) {
        const text = change.text ? `: “${change.text.slice(0, 60)}”` : '';
        return change.off ? 'Something removed from a page' : `${words[change.kind]} on page ${change.page}${text}`;
    },
    told: (why) => say(why, true),
    stored(body) {
        if (line.waits()) return;
        const at = state.chosen && state.pieces.findIndex((one) => one.key === state.chosen);
        state.pieces = body.pieces;
        // What is changed gets a new key; it stays chosen.
        if (state.chosen && !find(state.chosen)) state.chosen = at >= 0 ? state.pieces.at(-1)?.key ?? null : null;
        changed();
        say(`saved at ${new Date().toLocaleTimeString('en-US', { hour: 'numeric', minute: '2-digit' }).toLowerCase()}`);
    },
    refused(why) {
        changed();
        say(why, true);
    },
});

export const held = () => line.all();
export const send = () => line.send();
export const find = (key) => state.pieces.find((one) => one.key === key);

/** Puts something on a page; `instead`: in the place of what stands there. */
export function add(change) {
    line.add(change);
    say('storing');
}

export function move(piece, where) {
    add({ kind: piece.kind, page: piece.page, place: where, text: piece.text, instead: piece.key });
}

export function takeOff(key) {
    state.chosen = null;
    state.pieces = state.pieces.filter((piece) => piece.key !== key);
    changed();
    add({ off: key });
}

/** The one frame around all the places of a piece. */
export function around(piece) {
    const left = Math.min(...piece.places.map((place) => place[0]));
    const top = Math.min(...piece.places.map((place) => place[1]));
    const right = Math.max(...piece.places.map((place) => place[0] + place[2]));
    const bottom = Math.max(...piece.places.map((place) => place[1] + place[3]));
    return [left, top, right - left, bottom - top];
}
