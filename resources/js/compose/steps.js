// Steps that are taken back, and those that were taken back and may be done again. They are there on coming back, on this
// device; without room for them they end with the page.
import { who } from '../proof.js';
import { round } from './state.js';

const MOST_STEPS = 1000;
const shelf = `unanimus:steps:${who}:${round}`;

export const { past, ahead } = kept();

function kept() {
    try {
        return { past: [], ahead: [], ...JSON.parse(localStorage.getItem(shelf)) };
    } catch {
        return { past: [], ahead: [] };
    }
}

export function keepSteps() {
    try {
        localStorage.setItem(shelf, JSON.stringify({ past: past.slice(-MOST_STEPS), ahead: ahead.slice(-MOST_STEPS) }));
    } catch { /* nothing is lost but the way back after leaving */ }
}

// What a person does anew ends what could have been done again.
export function remembered() {
    ahead.length = 0;
    return past;
}
