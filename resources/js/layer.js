// Writing on a page: text, ticks, dates, lines through printed words and covers, put over it by hand. First the place is
// pointed at, with the mouse or the cursor, then it is said what comes there.
import { at, element } from './on-page.js';
import { newKey, waitingLine } from './waiting.js';

const desk = document.querySelector('[data-pieces]');
const button = document.querySelector('#write');
const told = document.querySelector('#layer-told');
const menu = document.querySelector('#layer-menu');
const pages = [...document.querySelectorAll('svg[data-layer]')];
const kinds = { t: 'text', x: 'tick', d: 'date', l: 'line', c: 'cover' };
let pieces = JSON.parse(desk.dataset.pieces);
let writing = false;
let chosen = null;
let frame = null;

const line = waitingLine({
    shelf: `pieces:${desk.dataset.paper}`,
    url: `/papers/${desk.dataset.paper}/pieces`,
    noun: 'change',
    says: (change) => (change.off ? 'Something removed from a page' : `${words[change.kind]} on page ${change.page}${change.text ? `: “${change.text.slice(0, 60)}”` : ''}`),
    told: (why) => say(why, true),
    stored(body) {
        if (line.waits()) return;
        const at = chosen && pieces.findIndex((one) => one.key === chosen);
        pieces = body.pieces;
        // What is changed gets a new key; it stays chosen.
        if (chosen && !pieces.some((one) => one.key === chosen)) chosen = at >= 0 ? pieces.at(-1)?.key ?? null : null;
        draw();
        say(`saved at ${new Date().toLocaleTimeString('en-US', { hour: 'numeric', minute: '2-digit' }).toLowerCase()}`);
    },
    refused(why) {
        draw();
        say(why, true);
    },
});

function say(words, late = false) {
    told.textContent = words;
    told.className = late ? 'stored waiting' : 'stored';
}

// What still waiting on this device stands on the page too, told apart, until the server has it.
function waiting(where) {
    const held = line.all();
    const gone = new Set(held.filter((one) => !one.refused || one.instead).map((one) => one.instead || one.off).filter(Boolean));
    const fresh = held.filter((one) => one.kind && one.page === where).map((one) => {
        const [x, y, width, height] = one.place;
        const group = element('g', { class: one.refused ? 'waits refused' : 'waits', role: 'img', 'aria-label': `${words[one.kind]}${one.text ? ` “${one.text}”` : ''}, ${one.refused || 'waiting on this device'}` });
        group.append(element('rect', { x, y, width: Math.max(width, 8), height: Math.max(height, 10) }));
        if (one.kind === 'tick') group.append(element('path', { d: `M${x + 1.5} ${y + height / 2}l${width / 4} ${height / 3}l${width / 2.2} ${-height / 1.6}` }));
        if (one.kind === 'line') group.append(element('path', { d: `M${x} ${y + height / 2}h${width}` }));
        (one.text || '').split('\n').forEach((row, index) => {
            const text = element('text', { x: x + 1.5, y: y + 10 + index * 12 });
            text.textContent = row;
            group.append(text);
        });
        return group;
    });
    return { gone, fresh };
}

const words = { text: 'text', tick: 'tick', date: 'date', line: 'line-through', cover: 'cover' };

function around(piece) {
    const left = Math.min(...piece.places.map((place) => place[0]));
    const top = Math.min(...piece.places.map((place) => place[1]));
    return [left, top, Math.max(...piece.places.map((place) => place[0] + place[2])) - left, Math.max(...piece.places.map((place) => place[1] + place[3])) - top];
}

function draw() {
    const focused = document.activeElement?.closest?.('.piece')?.dataset.key;
    for (const svg of pages) {
        const layer = svg.querySelector('.layer');
        const { gone, fresh } = waiting(Number(svg.dataset.layer));
        layer.replaceChildren(...pieces.filter((piece) => piece.page === Number(svg.dataset.layer) && !gone.has(piece.key)).map((piece) => {
            const group = element('g', { class: `piece${piece.key === chosen ? ' chosen' : ''}`, 'data-key': piece.key, role: 'button', 'aria-label': `${words[piece.kind]}${piece.text ? ` “${piece.text}”` : ''}, page ${piece.page}` });
            if (writing) group.setAttribute('tabindex', '0');
            group.innerHTML = piece.svg;
            const [x, y, width, height] = around(piece);
            group.append(element('rect', { class: 'hit', x: x - 1, y: y - 1, width: width + 2, height: height + 2 }), element('rect', { class: 'grip', x: x + width - 3, y: y + height - 3, width: 6, height: 6 }));
            return group;
        }), ...fresh);
        svg.querySelector('.aim')?.remove();
        if (writing && frame && frame.page === Number(svg.dataset.layer)) {
            const [x, y, width, height] = frame.place;
            const aim = element('g', { class: 'aim' });
            aim.append(element('path', { d: `M${x - 7} ${y}h14M${x} ${y - 7}v14` }));
            if (width > 2 || height > 2) aim.append(element('rect', { x, y, width, height }));
            svg.append(aim);
        }
    }
    if (focused || chosen) document.querySelector(`.piece[data-key="${chosen || focused}"]`)?.focus({ preventScroll: true });
}

function setWriting(on) {
    writing = on;
    chosen = null;
    frame = null;
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
    frame = { page: Number(svg.dataset.layer), place: [Math.max(0, Math.min(place[0], width)), Math.max(0, Math.min(place[1], height)), Math.max(0, place[2]), Math.max(0, place[3])] };
    draw();
}

// What comes there

function offer(svg) {
    const corner = new DOMPoint(frame.place[0], frame.place[1] + frame.place[3]).matrixTransform(svg.getScreenCTM());
    menu.hidden = false;
    menu.style.left = `${Math.min(corner.x + 8, window.innerWidth - menu.offsetWidth - 12)}px`;
    menu.style.top = `${Math.min(corner.y + 8, window.innerHeight - menu.offsetHeight - 12)}px`;
    menu.querySelector('button').focus({ preventScroll: true });
}

// A click says where; how large follows from what comes there.
function sized(kind, [x, y, width, height]) {
    if (width > 3 || height > 3) return [x, y, Math.max(width, 4), Math.max(height, kind === 'text' || kind === 'date' ? 10 : 4)];
    return { text: [x, y - 11, 180, 14], date: [x, y - 11, 110, 14], tick: [x - 5, y - 5, 10, 10], line: [x - 1, y - 2, 2, 4], cover: [x - 1, y - 2, 2, 4] }[kind];
}

function place(kind) {
    const svg = pages.find((one) => Number(one.dataset.layer) === frame.page);
    menu.hidden = true;
    const where = sized(kind, frame.place);
    if (kind === 'text' || kind === 'date') return write(svg, kind, where, kind === 'date' ? desk.dataset.today : '');
    line.add({ kind, page: frame.page, place: where });
    draw();
    say('storing');
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
            line.add({ kind, page: Number(svg.dataset.layer), place: where, text: typed, instead });
            say('storing');
        }
        draw();
        if (writing) svg.focus({ preventScroll: true });
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

function change(piece, where) {
    const key = newKey();
    line.add({ kind: piece.kind, page: piece.page, place: where, text: piece.text, instead: piece.key });
    say('storing');
    return key;
}

function takeOff(key) {
    chosen = null;
    pieces = pieces.filter((piece) => piece.key !== key);
    draw();
    line.add({ off: key });
    say('storing');
}

// With the mouse

for (const svg of pages) {
    let start = null;
    svg.addEventListener('pointerdown', (event) => {
        if (!writing || event.button !== 0 || event.target.closest('foreignObject')) return;
        event.preventDefault();
        menu.hidden = true;
        const piece = pieces.find((one) => one.key === event.target.closest('.piece')?.dataset.key);
        start = { point: at(svg, event), piece, size: event.target.classList.contains('grip') };
        chosen = piece?.key ?? null;
        frame = null;
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
            start.where = start.size ? [left, top, Math.max(4, width + dx), Math.max(4, height + dy)] : [left + dx, top + dy, width, height];
            const group = svg.querySelector(`.piece[data-key="${start.piece.key}"]`);
            if (start.size) for (const [name, value] of Object.entries({ width: start.where[2], height: start.where[3] })) group.querySelector('.hit').setAttribute(name, value);
            else group.setAttribute('transform', `translate(${dx} ${dy})`);
        } else {
            aimAt(svg, [Math.min(x, start.point[0]), Math.min(y, start.point[1]), Math.abs(dx), Math.abs(dy)]);
        }
    });
    svg.addEventListener('pointerup', () => {
        if (!start) return;
        if (start.piece) {
            if (start.where) change(start.piece, start.where);
        } else {
            if (!start.moved) aimAt(svg, [...start.point, 0, 0]);
            offer(svg);
        }
        start = null;
    });
    svg.addEventListener('pointercancel', () => { start = null; draw(); });
    svg.addEventListener('dblclick', (event) => {
        const piece = writing && pieces.find((one) => one.key === event.target.closest('.piece')?.dataset.key);
        if (piece?.text) write(svg, piece.kind, around(piece), piece.text, piece.key);
    });

    // With the keyboard
    svg.addEventListener('keydown', (event) => {
        if (!writing || event.ctrlKey || event.metaKey) return;
        const piece = pieces.find((one) => one.key === event.target.closest('.piece')?.dataset.key);
        const step = event.altKey ? 1 : piece ? 2 : 8;
        const way = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[event.key];
        if (way) {
            event.preventDefault();
            event.stopPropagation();
            if (piece) {
                const [x, y, width, height] = around(piece);
                chosen = piece.key;
                change(piece, event.shiftKey ? [x, y, Math.max(4, width + way[0]), Math.max(4, height + way[1])] : [x + way[0], y + way[1], width, height]);
            } else {
                const [x, y, width, height] = frame?.page === Number(svg.dataset.layer) ? frame.place : [60, 60, 0, 0];
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
        } else if (!piece && frame && kinds[event.key] && menu.querySelector(`[data-kind="${kinds[event.key]}"]`)) {
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
        if (writing && key && key !== chosen) {
            chosen = key;
            draw();
        } else if (writing && !key && frame?.page !== Number(svg.dataset.layer)) aimAt(svg, [60, 60, 0, 0]);
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
        pages.find((one) => Number(one.dataset.layer) === frame?.page)?.focus({ preventScroll: true });
    } else if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
        event.preventDefault();
        all.at((all.indexOf(document.activeElement) + (event.key === 'ArrowDown' ? 1 : -1)) % all.length)?.focus();
    }
});
button.addEventListener('click', () => setWriting(!writing));
document.querySelector('#layer-end').addEventListener('click', () => setWriting(false));
document.addEventListener('keydown', (event) => {
    if (event.key === 'w' && !event.ctrlKey && !event.metaKey && !event.altKey && !event.target.matches('input, textarea, select')) {
        event.preventDefault();
        setWriting(!writing);
    }
});
line.send();
