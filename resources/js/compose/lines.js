// The box that a click would place shows itself on the line or square under the pointer.
import { element } from '../on-page.js';
import { kindWords } from './drawing.js';
import { pageOf, round, seatOf, state } from './state.js';

const sizes = {
    signature: [170, 22], initials: [36, 16], date: [80, 14], name: [150, 14], time: [70, 14], moment: [130, 14],
    capacity: [150, 14], company: [150, 14], text: [150, 14], tick: [10, 10], strike: [90, 12],
};

const lines = new Map();

// Each with left, top, width, height and whether it is a line or a square.
export function linesOf(page, what = 'places') {
    const where = `${page.dataset.paper}/pages/${page.dataset.number}`;
    const key = `${where}/${what}`;
    if (!lines.has(key)) {
        lines.set(key, []);
        fetch(`/rounds/${round}/papers/${where}/places${what === 'words' ? '?words=1' : ''}`, { headers: { Accept: 'application/json' } })
            .then((answer) => (answer.ok ? answer.json() : []))
            .then((found) => lines.set(key, found))
            .catch(() => lines.delete(key));
    }
    return lines.get(key);
}

// Printed words, for what goes through them.
function wordUnder(page, [x, y]) {
    return linesOf(page, 'words').find(([left, top, wide, high]) => x > left - 2 && x < left + wide + 2 && y > top - 2 && y < top + high + 2);
}

function spot(page, [x, y]) {
    if (state.kind === 'strike') {
        const word = wordUnder(page, [x, y]);
        return word ? word.slice(0, 4) : [x - 45, y - 6, 90, 12];
    }
    const [width, height] = sizes[state.kind];
    const shape = state.kind === 'tick' ? 'tick' : 'line';
    const near = linesOf(page).filter((one) => one[4] === shape).filter(([left, top, wide, high]) => x > left - 6 && x < left + wide + 6 && y > top - 8 && y < top + high + 6);
    const on = near.sort((a, b) => Math.abs(a[1] + a[3] - y) - Math.abs(b[1] + b[3] - y))[0];
    if (!on) return shape === 'tick' ? [x - width / 2, y - height / 2, width, height] : [x - 4, y - height + 4, width, height];
    const [left, top, wide, high] = on;
    if (shape === 'tick') return [left, top, wide, high];
    const most = { signature: 240, text: 320 }[state.kind] ?? width;
    const fits = Math.min(wide, most);
    return [wide > fits * 1.6 ? Math.max(left, Math.min(x - 10, left + wide - fits)) : left, top + high - height, fits, height];
}

// Where somebody signs already there is nothing to be placed by a click.
export function freeSpot(page, point) {
    const [x, y, width, height] = spot(page, point);
    const isTaken = state.marks.filter((mark) => pageOf(mark) === page).some(({ place: [left, top, wide, high] }) =>
        Math.min(x + width, left + wide) - Math.max(x, left) > width / 2 && Math.min(y + height, top + high) - Math.max(y, top) > height / 2);
    return isTaken ? null : [x, y, width, height].map((n) => Math.round(n * 100) / 100);
}

export function ghost(page, place) {
    document.querySelector('.ghost')?.remove();
    if (!place) return;
    const [x, y, width, height] = place;
    const group = element('g', { class: `ghost tone-${seatOf(state.seat).tone}` });
    const text = element('text', { class: 'place-word', x: x + 2, y: y - 2 });
    text.textContent = `${kindWords[state.kind] ?? state.kind} · ${seatOf(state.seat).label}`;
    group.append(element('rect', { class: 'place', x, y, width, height }), text);
    page.querySelector('svg').append(group);
}

