// The papers of the round at the left: put in order by dragging or with Alt and the arrow keys; which pages were looked at.
import { proof } from '../proof.js';
import { tell } from '../tell.js';
import { showFaults } from './mends.js';
import { pages, round, state } from './state.js';

const list = document.querySelector('[data-papers]');
const papers = () => [...list.querySelectorAll('[data-position]')];
const LOOK = 900;

async function keepOrder() {
    const order = new URLSearchParams(papers().map((one) => ['papers[]', one.dataset.position]));
    try {
        const answer = await fetch(list.dataset.papers, { method: 'PUT', headers: { Accept: 'application/json', ...proof() }, body: order });
        if (!answer.ok) return tell((await answer.json().catch(() => ({}))).message || 'The new order was not saved. Reload the page.');
        // The pages follow.
        const first = pages[0].parentNode;
        for (const one of papers()) {
            for (const page of pages.filter((page) => page.dataset.paper === one.dataset.position)) first.append(page);
        }
        document.dispatchEvent(new CustomEvent('arranged'));
    } catch {
        tell('There is no connection. The new order was not saved.');
    }
}

let dragged = null;
list.addEventListener('dragstart', (event) => {
    dragged = event.target.closest('[data-position]');
    event.dataTransfer.effectAllowed = 'move';
});
list.addEventListener('dragover', (event) => {
    const over = event.target.closest('[data-position]');
    if (!dragged || !over || over === dragged) return;
    event.preventDefault();
    const below = event.clientY > over.getBoundingClientRect().top + over.offsetHeight / 2;
    list.insertBefore(dragged, below ? over.nextElementSibling : over);
});
list.addEventListener('dragend', () => {
    if (dragged) keepOrder();
    dragged = null;
});
list.addEventListener('keydown', (event) => {
    if (!event.altKey || !['ArrowUp', 'ArrowDown'].includes(event.key)) return;
    const one = event.target.closest('[data-position]');
    const other = event.key === 'ArrowUp' ? one?.previousElementSibling : one?.nextElementSibling;
    if (!one || !other?.dataset.position) return;
    event.preventDefault();
    list.insertBefore(event.key === 'ArrowUp' ? one : other, event.key === 'ArrowUp' ? other : one);
    one.focus({ preventScroll: true });
    keepOrder();
});

// A page is looked at when most of it was in view for a moment.
const looks = new Map();
const watch = new IntersectionObserver((entries) => {
    for (const { target, isIntersecting } of entries) {
        clearTimeout(looks.get(target));
        if (isIntersecting) looks.set(target, setTimeout(() => looked(target), LOOK));
    }
}, { threshold: 0.4 });

async function looked(page) {
    watch.unobserve(page);
    const thumb = list.querySelector(`a[href="#${page.id}"]`);
    if (!thumb?.classList.contains('unlooked')) return;
    const body = new URLSearchParams({ paper: page.dataset.paper, page: page.dataset.number });
    const answer = await fetch(`/rounds/${round}/looked`, { method: 'POST', headers: proof(), body }).catch(() => null);
    if (!answer?.ok) return watch.observe(page);
    thumb.classList.remove('unlooked');
    if (answer.status === 200) showFaults(await answer.text());
}
pages.forEach((page) => watch.observe(page));

// Whether the papers stand as they are stored.
export const standAsDrawn = (positions) => positions.join() === papers().map((one) => one.dataset.position).join();

export function countMarks() {
    for (const one of list.querySelectorAll('[data-count]')) {
        const count = state.marks.filter((mark) => String(mark.paper) === one.dataset.count).length;
        one.textContent = count === 1 ? '1 place' : `${count} places`;
    }
}
