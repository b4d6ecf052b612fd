// Places to sign by mouse, pen or finger: put there, dragged, made larger, copied with Alt, several taken with Shift.
import { at, element } from '../on-page.js';
import { set } from './drawing.js';
import { freeSpot, ghost } from './lines.js';
import { copy, find, pageOf, pages, selected, state } from './state.js';

const tidy = (place) => place.map((n) => Math.round(n * 100) / 100);
const node = (mark) => document.querySelector(`[data-mark="${mark.key}"]`);

export function follow(does) {
    for (const page of pages) followOn(page, does);
}

function followOn(page, { put, changeAll, draw, fresh, markKey }) {
    const svg = page.querySelector('svg');
    let start = null;

    function take(mark, isMore) {
        if (isMore && mark && state.chosen && mark.key !== state.chosen) {
            if (!state.more.delete(mark.key)) state.more.add(mark.key);
        } else if (!mark || !selected().includes(mark)) {
            state.more.clear();
            state.chosen = mark?.key ?? null;
        }
    }

    svg.addEventListener('pointerdown', (event) => {
        if (event.button !== 0) return;
        const mark = find(event.target.closest('[data-mark]')?.dataset.mark);
        start = {
            point: at(svg, event), mark: mark && copy(mark), size: event.target.classList.contains('grip'), band: !mark && event.shiftKey,
        };
        take(mark, event.shiftKey);
        draw();
        if (mark) node(mark).focus({ preventScroll: true });
        svg.setPointerCapture(event.pointerId);
        event.preventDefault();
    });
    svg.addEventListener('pointermove', (event) => {
        const point = at(svg, event);
        if (!start) {
            ghost(page, state.seat && !event.target.closest('[data-mark]') ? freeSpot(page, point) : null);
            return;
        }
        const [dx, dy] = [point[0] - start.point[0], point[1] - start.point[1]];
        if (start.band) return band([Math.min(point[0], start.point[0]), Math.min(point[1], start.point[1]), Math.abs(dx), Math.abs(dy)]);
        if (!start.mark || Math.hypot(dx, dy) < 2) return;
        start.moved = ([x, y, width, height]) => (start.size
            ? [x, y, Math.max(6, width + dx), Math.max(6, height + dy)]
            : [x + dx, y + dy, width, height]);
        for (const mark of start.size ? [start.mark] : selected()) {
            const [x, y, width, height] = start.moved(mark.place);
            set(node(mark).querySelector('.place'), { x, y, width, height });
        }
    });

    function band(area) {
        start.area = area;
        const box = svg.querySelector('.band') ?? svg.appendChild(element('rect', { class: 'band' }));
        const [x, y, width, height] = area;
        set(box, { x, y, width, height });
    }

    function takeWithin([x, y, wide, high]) {
        const within = state.marks.filter(({ place: [left, top, width, height] }) =>
            left < x + wide && left + width > x && top < y + high && top + height > y).filter((mark) => pageOf(mark) === page);
        state.chosen = within[0]?.key ?? null;
        state.more = new Set(within.slice(1).map((mark) => mark.key));
        draw();
    }

    svg.addEventListener('pointerup', (event) => {
        if (!start) return;
        const { mark, moved, size, area } = start;
        svg.querySelector('.band')?.remove();
        if (area) takeWithin(area);
        else if (moved && event.altKey && !size) put({ ...copy(mark), key: markKey(), place: tidy(moved(mark.place)) });
        else if (moved && size) put({ ...copy(mark), place: tidy(moved(mark.place)) });
        else if (moved) changeAll((one) => ({ place: tidy(moved(one.place)) }));
        else if (!mark && state.seat && !start.band) {
            ghost(page, null);
            const place = freeSpot(page, at(svg, event));
            if (place) put(fresh(page, place));
        }
        start = null;
    });
    svg.addEventListener('pointercancel', () => {
        svg.querySelector('.band')?.remove();
        start = null;
        draw();
    });
    svg.addEventListener('pointerleave', () => ghost(page, null));
}
