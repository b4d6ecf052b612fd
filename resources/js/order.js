// Rows of the board put in order within their part: dragged by the handle, or moved with Alt and the arrow keys.

import { proof } from './proof.js';
import { tell } from './tell.js';

const board = document.querySelector('[data-order]');
let dragged = null;

async function keep(part) {
    const papers = new URLSearchParams([...part.querySelectorAll('tr.row')].map((row) => ['papers[]', row.dataset.paper]));
    try {
        const answer = await fetch(board.dataset.order, { method: 'POST', headers: { Accept: 'application/json', ...proof() }, body: papers });
        if (!answer.ok) tell((await answer.json().catch(() => ({}))).message || 'The new order was not saved. Reload the page.');
    } catch {
        tell('There is no connection. The new order was not saved.');
    }
}

if (board) {
    board.addEventListener('pointerdown', (event) => {
        const row = event.target.closest('.grip')?.closest('tr.row');
        if (row) row.draggable = true;
    });
    board.addEventListener('dragstart', (event) => {
        dragged = event.target.closest('tr.row[draggable=true]');
        if (dragged) event.dataTransfer.effectAllowed = 'move';
    });
    board.addEventListener('dragover', (event) => {
        const over = event.target.closest('tr.row');
        if (!dragged || !over || over === dragged || over.parentNode !== dragged.parentNode) return;
        event.preventDefault();
        const below = event.clientY > over.getBoundingClientRect().top + over.offsetHeight / 2;
        over.parentNode.insertBefore(dragged, below ? over.nextSibling : over);
    });
    board.addEventListener('dragend', () => {
        if (!dragged) return;
        dragged.draggable = false;
        keep(dragged.parentNode);
        dragged = null;
    });
    document.addEventListener('keydown', (event) => {
        if (!event.altKey || !['ArrowUp', 'ArrowDown'].includes(event.key)) return;
        const row = event.target.closest?.('tr.row') || board.querySelector('tr.row[data-row=on]');
        const next = event.key === 'ArrowUp' ? row?.previousElementSibling : row?.nextElementSibling;
        if (!row || !next?.matches('tr.row')) return;
        event.preventDefault();
        row.parentNode.insertBefore(event.key === 'ArrowUp' ? row : next, event.key === 'ArrowUp' ? next : row);
        row.focus({ preventScroll: true });
        keep(row.parentNode);
    });
}
