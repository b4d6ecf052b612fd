// What is entered on pages further down comes after the desk stands, since nobody sees them before they scroll; with a long set
// also what is wrong with it.
import { showFaults } from './mends.js';
import { round } from './state.js';

const waiting = () => [...document.querySelectorAll('[data-drawn]')];
const list = document.querySelector('#faults');

async function fetchDrawn() {
    if (waiting().length === 0 && !('later' in list.dataset)) return;
    const answer = await fetch(`/rounds/${round}/drawn`, { headers: { Accept: 'application/json' } }).catch(() => null);
    // Sent or discarded meanwhile, in another tab: there is nothing to come.
    if (answer && answer.status < 500 && !answer.ok) return;
    if (!answer?.ok) {
        setTimeout(fetchDrawn, 4000);
        return;
    }
    const { pages, faults } = await answer.json();
    for (const group of waiting()) {
        group.innerHTML = pages[group.dataset.drawn] ?? '';
        delete group.dataset.drawn;
    }
    // What was done meanwhile brought a newer list along.
    if ('later' in list.dataset) showFaults(faults);
}

fetchDrawn();
