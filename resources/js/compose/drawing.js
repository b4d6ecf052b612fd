// How a place to sign is drawn on the page of the desk.
import { element } from '../on-page.js';
import { seatOf, state } from './state.js';

export const set = (node, values) => Object.entries(values).forEach(([name, value]) => node.setAttribute(name, value));

export const kindWords = { tick: 'check box', strike: 'strike out', moment: 'date and time' };

const isChoice = (mark) => mark.kind === 'tick' || mark.kind === 'strike';

// As much as there is room for: kind and whose, or the kind and the number, or the number alone.
function wordsIn(width, kind, label) {
    const number = label.replace(/[a-z ]+/g, '');
    return [`${kind} · ${label}`, `${kind} ${number}`.trim(), number].find((words) => words.length * 5.3 < width) ?? number;
}

export function drawMark(mark) {
    const [x, y, width, height] = mark.place;
    const seat = seatOf(mark.seat);
    const kind = kindWords[mark.kind] ?? mark.kind;
    const filled = mark.terms?.filled;
    const says = `${mark.terms?.hint || kind}, ${seat.label}`;
    const group = element('g', {
        class: `spot tone-${seat.tone}${mark.sure === null ? '' : ' pencil'}${mark.terms?.required === false || isChoice(mark) && mark.terms?.required !== true ? ' optional' : ''}${state.chosen === mark.key || state.more.has(mark.key) ? ' chosen' : ''}`,
        tabindex: '0',
        role: 'button',
        'data-mark': mark.key,
        'aria-label': `${says}, page ${mark.page}${mark.sure === null ? '' : ', proposed'}`,
    });
    group.append(element('rect', { class: 'place', x, y, width, height }));
    const text = element('text', { class: 'place-word', x: x + 2, y: y + Math.min(height - 2, 10) });
    text.textContent = filled ? (mark.kind === 'tick' ? '✕' : filled) : wordsIn(width, mark.terms?.hint || kind, seat.label);
    group.append(text, element('rect', { class: 'grip', x: x + width - 3, y: y + height - 3, width: 6, height: 6 }));
    return group;
}

