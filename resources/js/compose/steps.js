// Steps on the desk, each under a word of its own, and the way back. Who presses faster than what they did is stored takes the
// next step back when it is.
import { newKey } from '../waiting.js';

let moving = null;
let word = null;

// What is moved bit by bit with the arrow keys is one step, until something else is done.
export function newStep(what = null) {
    if (what === null || what !== moving) word = newKey();
    moving = what;
    return word;
}

const wanted = [];

export function turnStep(way) {
    moving = null;
    wanted.push(way);
    if (wanted.length === 1) turnStep.next();
}

// `by` takes a step, or says that it cannot yet.
turnStep.next = () => {
    if (wanted.length && turnStep.by(wanted[0])) wanted.shift();
};
