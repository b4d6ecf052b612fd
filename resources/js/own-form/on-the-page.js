// Placing, moving and sizing items on the pages of a form, with the mouse, a finger or the keyboard.

import { at, element } from '../on-page.js';
import { back, choose, copy, drop, find, flush, fresh, put, state } from './store.js';
import { describe } from './panel.js';

const round = (place) => place.map((n) => Math.round(n * 100) / 100);

/** The item, kept inside its page. */
function within(item, page) {
    const { width, height } = page.querySelector('svg').dataset;
    const [x, y, w, h] = item.place;
    item.place = round([
        Math.max(0, Math.min(x, width - w)),
        Math.max(0, Math.min(y, height - h)),
        Math.max(4, Math.min(w, width)),
        Math.max(4, Math.min(h, height)),
    ]);
    return item;
}

function add(item) {
    state.chosen = item.id;
    put(item);
    choose(item.id);
    if (!item.mark) describe(item);
}

/** The same once more beside it, or below where there is no room. */
export function beside(item) {
    const page = document.querySelector(`[data-page="${item.page}"]`);
    const width = Number(page.querySelector('svg').dataset.width);
    const [x, y, w, h] = item.place;
    const place = x + 2 * w + 8 <= width ? [x + w + 8, y, w, h] : [x, y + h + 8, w, h];
    add(within(fresh(item.page, place, item), page));
}

const frameOf = ([x, y], [fromX, fromY]) => [Math.min(x, fromX), Math.min(y, fromY), Math.abs(x - fromX), Math.abs(y - fromY)];

function follow(page, svg) {
    let start = null;
    svg.addEventListener('pointerdown', (event) => {
        if (event.button !== 0) return;
        const group = event.target.closest('.item-group');
        start = { point: at(svg, event), id: group?.dataset.id ?? null, size: event.target.classList.contains('grip'), moved: false };
        if (group) {
            choose(start.id);
            group.focus({ preventScroll: true });
            start.item = copy(find(start.id));
        }
        svg.setPointerCapture(event.pointerId);
        event.preventDefault();
    });
    svg.addEventListener('pointermove', (event) => {
        if (!start) return;
        const point = at(svg, event);
        const [dx, dy] = [point[0] - start.point[0], point[1] - start.point[1]];
        if (!start.moved && Math.hypot(dx, dy) < 3) return;
        start.moved = true;
        if (start.id) {
            const [x, y, width, height] = start.item.place;
            const place = start.size ? [x, y, Math.max(4, width + dx), Math.max(4, height + dy)] : [x + dx, y + dy, width, height];
            put(within({ ...copy(start.item), place }, page), true);
        } else {
            const frame = svg.querySelector('.drawing') ?? svg.appendChild(element('rect', { class: 'drawing' }));
            const [x, y, width, height] = frameOf(point, start.point);
            for (const [name, value] of Object.entries({ x, y, width, height })) frame.setAttribute(name, value);
        }
    });
    svg.addEventListener('pointerup', (event) => {
        if (!start) return;
        const frame = frameOf(at(svg, event), start.point);
        svg.querySelector('.drawing')?.remove();
        if (!start.id && start.moved && frame[2] > 4 && frame[3] > 4) add(fresh(Number(page.dataset.page), frame));
        else if (!start.id) choose(null);
        else flush();
        start = null;
    });
    svg.addEventListener('pointercancel', () => {
        start = null;
        svg.querySelector('.drawing')?.remove();
    });
}

document.querySelectorAll('[data-page]').forEach((page) => follow(page, page.querySelector('svg')));

// With the keyboard

const ways = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };

function step(item, event) {
    const far = event.altKey ? 10 : 1;
    const [dx, dy] = ways[event.key].map((n) => n * far);
    const [x, y, width, height] = item.place;
    const place = event.shiftKey ? [x, y, Math.max(4, width + dx), Math.max(4, height + dy)] : [x + dx, y + dy, width, height];
    put(within({ ...copy(item), place }, event.target.closest('[data-page]')), true);
}

const keys = {
    Delete(item) {
        drop(item.id);
        document.querySelector(`.item-group[data-id="${state.chosen}"]`)?.focus();
    },
    '=': beside,
    n(item, event) {
        const [x, y, , height] = item.place;
        add(within(fresh(item.page, [x, y + height + 6, 140, 14]), event.target.closest('[data-page]')));
    },
    Enter: describe,
};
keys.Backspace = keys.Delete;

document.querySelector('.pages').addEventListener('keydown', (event) => {
    const item = find(event.target.closest('.item-group')?.dataset.id);
    if (!item || event.ctrlKey || event.metaKey || event.key === 'Tab') return;
    // The page's own keys: none of the brokerage's.
    event.stopPropagation();
    if (state.chosen !== item.id) choose(item.id);
    const act = ways[event.key] ? step : keys[event.key];
    if (!act) return;
    event.preventDefault();
    act(item, event);
});
document.querySelector('.pages').addEventListener('focusin', (event) => {
    const id = event.target.closest('.item-group')?.dataset.id;
    if (id && id !== state.chosen) choose(id);
});
document.addEventListener('keydown', (event) => {
    if ((event.ctrlKey || event.metaKey) && event.key === 'z' && !event.target.matches('input, textarea')) {
        event.preventDefault();
        back();
    } else if (event.key === 'n' && event.target === document.body) {
        const pages = [...document.querySelectorAll('[data-page]')];
        const page = pages.find((one) => one.getBoundingClientRect().bottom > 120) || pages[0];
        event.preventDefault();
        event.stopImmediatePropagation();
        add(fresh(Number(page.dataset.page), [60, 60, 140, 14]));
    }
}, true);
