// What is entered on pages further down comes after the desk stands: nobody sees them before they scroll.
import { round } from './state.js';

const waiting = () => [...document.querySelectorAll('[data-drawn]')];

async function fetchDrawn() {
    if (waiting().length === 0) return;
    const answer = await fetch(`/rounds/${round}/drawn`, { headers: { Accept: 'application/json' } }).catch(() => null);
    // Sent or discarded meanwhile, in another tab: there is nothing to come.
    if (answer && answer.status < 500 && !answer.ok) return;
    if (!answer?.ok) {
        setTimeout(fetchDrawn, 4000);
        return;
    }
    const drawn = await answer.json();
    for (const group of waiting()) {
        group.innerHTML = drawn[group.dataset.drawn] ?? '';
        delete group.dataset.drawn;
    }
}

fetchDrawn();
