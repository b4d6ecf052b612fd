// What is put over the pages, drawn: what the server has, what waits on this device told apart, and where is pointed at.

import { element } from '../on-page.js';
import { around, held, state, whenChanged, words } from './store.js';

export const pages = [...document.querySelectorAll('svg[data-layer]')];

const named = (kind, text) => `${words[kind]}${text ? ` “${text}”` : ''}`;

function drawPiece(piece) {
    const group = element('g', {
        class: `piece${piece.key === state.chosen ? ' chosen' : ''}`,
        'data-key': piece.key,
        role: 'button',
        'aria-label': `${named(piece.kind, piece.text)}, page ${piece.page}`,
    });
    if (state.writing) group.setAttribute('tabindex', '0');
    group.innerHTML = piece.svg;
    const [x, y, width, height] = around(piece);
    group.append(
        element('rect', { class: 'hit', x: x - 1, y: y - 1, width: width + 2, height: height + 2 }),
        element('rect', { class: 'grip', x: x + width - 3, y: y + height - 3, width: 6, height: 6 }),
    );
    return group;
}

// What still waits on this device stands on the page too, until the server has it.
function drawWaiting(one) {
    const [x, y, width, height] = one.place;
    const group = element('g', {
        class: one.refused ? 'waits refused' : 'waits',
        role: 'img',
        'aria-label': `${named(one.kind, one.text)}, ${one.refused || 'waiting on this device'}`,
    });
    group.append(element('rect', { x, y, width: Math.max(width, 8), height: Math.max(height, 10) }));
    const tick = `M${x + 1.5} ${y + height / 2}l${width / 4} ${height / 3}l${width / 2.2} ${-height / 1.6}`;
    if (one.kind === 'tick') group.append(element('path', { d: tick }));
    if (one.kind === 'line') group.append(element('path', { d: `M${x} ${y + height / 2}h${width}` }));
    (one.text || '').split('\n').forEach((row, index) => {
        const text = element('text', { x: x + 1.5, y: y + 10 + index * 12 });
        text.textContent = row;
        group.append(text);
    });
    return group;
}

function drawAim([x, y, width, height]) {
    const aim = element('g', { class: 'aim' });
    aim.append(element('path', { d: `M${x - 7} ${y}h14M${x} ${y - 7}v14` }));
    if (width > 2 || height > 2) aim.append(element('rect', { x, y, width, height }));
    return aim;
}

export function draw() {
    const focused = document.activeElement?.closest?.('.piece')?.dataset.key;
    const waiting = held();
    const gone = new Set(waiting.filter((one) => !one.refused || one.instead).map((one) => one.instead || one.off).filter(Boolean));
    for (const svg of pages) {
        const number = Number(svg.dataset.layer);
        svg.querySelector('.layer').replaceChildren(
            ...state.pieces.filter((piece) => piece.page === number && !gone.has(piece.key)).map(drawPiece),
            ...waiting.filter((one) => one.kind && one.page === number).map(drawWaiting),
        );
        svg.querySelector('.aim')?.remove();
        if (state.writing && state.frame?.page === number) svg.append(drawAim(state.frame.place));
    }
    if (focused || state.chosen) document.querySelector(`.piece[data-key="${state.chosen || focused}"]`)?.focus({ preventScroll: true });
}

whenChanged(draw);
