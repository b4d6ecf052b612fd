// Writing on a page: text, ticks, dates, lines through printed words and covers, put over it by hand. First the place is
// pointed at, with the mouse or the cursor, then it is said what comes there.

import { at, element } from './on-page.js';
import { draw, pages } from './layer/drawing.js';
import { add, around, desk, find, move, send, state, takeOff } from './layer/store.js';

const button = document.querySelector('#write');
const menu = document.querySelector('#layer-menu');
const kinds = { t: 'text', x: 'tick', d: 'date', l: 'line', c: 'cover' };

function setWriting(on) {
    state.writing = on;
    state.chosen = null;
    state.frame = null;
    button.setAttribute('aria-pressed', String(on));
    desk.classList.toggle('writing', on);
    document.querySelector('#layer-bar').hidden = !on;
    menu.hidden = true;
    for (const svg of pages) {
        if (on) svg.setAttribute('tabindex', '0');
        else svg.removeAttribute('tabindex');
    }
    draw();
    if (on) {
        const svg = pages.find((one) => one.getBoundingClientRect().bottom > 160) || pages[0];
        aimAt(svg, [Number(svg.viewBox.baseVal.width) / 2, Math.max(60, at(svg, { clientX: 0, clientY: 300 })[1]), 0, 0]);
        svg.focus({ preventScroll: true });
    } else {
        button.focus({ preventScroll: true });
    }
}

function aimAt(svg, place) {
    const { width, height } = svg.viewBox.baseVal;
    const within = (n, most) => Math.max(0, Math.min(n, most));
    const [x, y, w, h] = place;
    state.frame = { page: Number(svg.dataset.layer), place: [within(x, width), within(y, height), Math.max(0, w), Math.max(0, h)] };
    draw();
}

// What comes there

function offer(svg) {
    const corner = new DOMPoint(state.frame.place[0], state.frame.place[1] + state.frame.place[3]).matrixTransform(svg.getScreenCTM());
    menu.hidden = false;
    menu.style.left = `${Math.min(corner.x + 8, window.innerWidth - menu.offsetWidth - 12)}px`;
    menu.style.top = `${Math.min(corner.y + 8, window.innerHeight - menu.offsetHeight - 12)}px`;
    menu.querySelector('button').focus({ preventScroll: true });
}

// A click says where; how large follows from what comes there.
function sized(kind, [x, y, width, height]) {
    if (width > 3 || height > 3) return [x, y, Math.max(width, 4), Math.max(height, kind === 'text' || kind === 'date' ? 10 : 4)];
    const point = [x - 1, y - 2, 2, 4];
    return { text: [x, y - 11, 180, 14], date: [x, y - 11, 110, 14], tick: [x - 5, y - 5, 10, 10], line: point, cover: point }[kind];
}

function place(kind) {
    const svg = pages.find((one) => Number(one.dataset.layer) === state.frame.page);
    menu.hidden = true;
    const where = sized(kind, state.frame.place);
    if (kind === 'text' || kind === 'date') return write(svg, kind, where, kind === 'date' ? desk.dataset.today : '');
    add({ kind, page: state.frame.page, place: where });
    draw();
    svg.focus({ preventScroll: true });
}

function write(svg, kind, where, text, instead = null) {
    const holder = element('foreignObject', { x: where[0], y: where[1], width: Math.max(where[2], 60), height: Math.max(where[3], 13) });
    const field = document.createElementNS('http://www.w3.org/1999/xhtml', where[3] > 26 ? 'textarea' : 'input');
    field.className = 'blank';
    field.setAttribute('aria-label', kind === 'date' ? 'Date on the page' : 'Text on the page');
    field.value = text;
    holder.append(field);
    svg.append(holder);
    field.focus({ preventScroll: true });
    let done = false;
    const end = (keep) => {
        if (done) return;
        done = true;
        const typed = field.value.trim();
        holder.remove();
        if (keep && typed && (typed !== text || !instead)) {
            add({ kind, page: Number(svg.dataset.layer), place: where, text: typed, instead });
        }
        draw();
        if (state.writing) svg.focus({ preventScroll: true });
    };
    field.addEventListener('keydown', (event) => {
        event.stopPropagation();
        if (event.key === 'Enter' && !(event.shiftKey && field.tagName === 'TEXTAREA')) {
            event.preventDefault();
            end(true);
        } else if (event.key === 'Escape') end(false);
    });
    field.addEventListener('blur', () => end(true));
}

// With the mouse

for (const svg of pages) {
    let start = null;
    svg.addEventListener('pointerdown', (event) => {
        if (!state.writing || event.button !== 0 || event.target.closest('foreignObject')) return;
        event.preventDefault();
        menu.hidden = true;
        const piece = find(event.target.closest('.piece')?.dataset.key);
        start = { point: at(svg, event), piece, size: event.target.classList.contains('grip') };
        state.chosen = piece?.key ?? null;
        state.frame = null;
        draw();
        svg.setPointerCapture(event.pointerId);
    });
    svg.addEventListener('pointermove', (event) => {
        if (!start) return;
        const [x, y] = at(svg, event);
        const [dx, dy] = [x - start.point[0], y - start.point[1]];
        if (Math.hypot(dx, dy) < 2) return;
        start.moved = true;
        if (start.piece) {
            const [left, top, width, height] = around(start.piece);
            start.where = start.size
                ? [left, top, Math.max(4, width + dx), Math.max(4, height + dy)]
                : [left + dx, top + dy, width, height];
            const group = svg.querySelector(`.piece[data-key="${start.piece.key}"]`);
            if (start.size) {
                group.querySelector('.hit').setAttribute('width', start.where[2]);
                group.querySelector('.hit').setAttribute('height', start.where[3]);
            } else group.setAttribute('transform', `translate(${dx} ${dy})`);
        } else {
            aimAt(svg, [Math.min(x, start.point[0]), Math.min(y, start.point[1]), Math.abs(dx), Math.abs(dy)]);
        }
    });
    svg.addEventListener('pointerup', () => {
        if (!start) return;
        if (start.piece) {
            if (start.where) move(start.piece, start.where);
        } else {
            if (!start.moved) aimAt(svg, [...start.point, 0, 0]);
            offer(svg);
        }
        start = null;
    });
    svg.addEventListener('pointercancel', () => { start = null; draw(); });
    svg.addEventListener('dblclick', (event) => {
        const piece = state.writing && find(event.target.closest('.piece')?.dataset.key);
        if (piece?.text) write(svg, piece.kind, around(piece), piece.text, piece.key);
    });

    // With the keyboard
    svg.addEventListener('keydown', (event) => {
        if (!state.writing || event.ctrlKey || event.metaKey) return;
        const piece = find(event.target.closest('.piece')?.dataset.key);
        const step = event.altKey ? 1 : piece ? 2 : 8;
        const way = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[event.key];
        if (way) {
            event.preventDefault();
            event.stopPropagation();
            if (piece) {
                const [x, y, width, height] = around(piece);
                state.chosen = piece.key;
                move(piece, event.shiftKey
                    ? [x, y, Math.max(4, width + way[0]), Math.max(4, height + way[1])]
                    : [x + way[0], y + way[1], width, height]);
            } else {
                const [x, y, width, height] = state.frame?.page === Number(svg.dataset.layer) ? state.frame.place : [60, 60, 0, 0];
                aimAt(svg, event.shiftKey ? [x, y, width + way[0], height + way[1]] : [x + way[0], y + way[1], width, height]);
                svg.querySelector('.aim')?.scrollIntoView({ block: 'nearest' });
            }
        } else if (piece && (event.key === 'Delete' || event.key === 'Backspace')) {
            event.preventDefault();
            takeOff(piece.key);
            svg.focus({ preventScroll: true });
        } else if (piece && event.key === 'Enter' && piece.text) {
            event.preventDefault();
            write(svg, piece.kind, around(piece), piece.text, piece.key);
        } else if (!piece && state.frame && kinds[event.key] && menu.querySelector(`[data-kind="${kinds[event.key]}"]`)) {
            event.preventDefault();
            event.stopPropagation();
            place(kinds[event.key]);
        } else if (event.key === 'Escape') {
            event.stopPropagation();
            setWriting(false);
        }
    });
    svg.addEventListener('focusin', (event) => {
        const key = event.target.closest('.piece')?.dataset.key;
        if (state.writing && key && key !== state.chosen) {
            state.chosen = key;
            draw();
        } else if (state.writing && !key && state.frame?.page !== Number(svg.dataset.layer)) aimAt(svg, [60, 60, 0, 0]);
    });
}

menu.addEventListener('click', (event) => {
    const kind = event.target.closest('[data-kind]')?.dataset.kind;
    if (kind) place(kind);
});
menu.addEventListener('keydown', (event) => {
    event.stopPropagation();
    const kind = kinds[event.key];
    const all = [...menu.querySelectorAll('button')];
    if (kind && menu.querySelector(`[data-kind="${kind}"]`)) {
        event.preventDefault();
        place(kind);
    } else if (event.key === 'Escape') {
        menu.hidden = true;
        pages.find((one) => Number(one.dataset.layer) === state.frame?.page)?.focus({ preventScroll: true });
    } else if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
        event.preventDefault();
        all.at((all.indexOf(document.activeElement) + (event.key === 'ArrowDown' ? 1 : -1)) % all.length)?.focus();
    }
});
button.addEventListener('click', () => setWriting(!state.writing));
document.querySelector('#layer-end').addEventListener('click', () => setWriting(false));
document.addEventListener('keydown', (event) => {
    if (event.key === 'w' && !event.ctrlKey && !event.metaKey && !event.altKey && !event.target.matches('input, textarea, select')) {
        event.preventDefault();
        setWriting(!state.writing);
    }
});
send();
