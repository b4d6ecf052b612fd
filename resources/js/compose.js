// Composing a round: where each person signs is pointed at, moved, given to another and taken away. What was found stands in
// pencil until it is kept. Every change goes to the server as it is made; while there is no connection it waits on the device.

import { at, element } from './on-page.js';
import { who } from './proof.js';
import { newKey, waitingLine } from './waiting.js';

const desk = document.querySelector('#compose-desk');
const round = desk.dataset.round;
const state = { ...JSON.parse(desk.dataset.desk), seat: null, kind: 'signature', chosen: null, ghost: null };
state.seat = state.seats[0]?.seat ?? null;
const sizes = { signature: [170, 22], initials: [36, 16], date: [80, 14], name: [150, 14] };
const MOST_STEPS = 1000;
const keys = { s: 'signature', i: 'initials', d: 'date', n: 'name' };
const told = document.querySelector('#marks-told');
const pages = [...document.querySelectorAll('.page[data-paper]')];
// Steps that are taken back, and those that were taken back and may be done again.
const steps = `unanimus:steps:${who}:${round}`;
const { past, ahead } = stepsKept();

// They are there on coming back, on this device; without room for them they end with the page.
function stepsKept() {
    try {
        return { past: [], ahead: [], ...JSON.parse(localStorage.getItem(steps)) };
    } catch {
        return { past: [], ahead: [] };
    }
}

function keepSteps() {
    try {
        localStorage.setItem(steps, JSON.stringify({ past: past.slice(-MOST_STEPS), ahead: ahead.slice(-MOST_STEPS) }));
    } catch { /* nothing is lost but the way back after leaving */ }
}

const say = (words, late = false) => {
    told.textContent = words;
    told.className = late ? 'stored waiting' : 'stored';
};
const seatOf = (seat) => state.seats.find((one) => one.seat === seat) ?? { label: seat.replace('.', ' '), tone: 'other', name: seat };
const find = (key) => state.marks.find((mark) => mark.key === key);
const pageOf = (mark) => pages.find((page) => Number(page.dataset.paper) === mark.paper && Number(page.dataset.number) === mark.page);

const line = waitingLine({
    shelf: `marks:${round}`,
    url: `/rounds/${round}/marks`,
    noun: 'change',
    says: (change) => ({ put: 'A place to sign', drop: 'A place removed', keep: 'Places kept', who: 'Who signs' })[change.do],
    told: (words) => say(words, true),
    stored(body) {
        if (line.waits()) return;
        take(body);
        say(`saved at ${new Date().toLocaleTimeString('en-US', { hour: 'numeric', minute: '2-digit' }).toLowerCase()}`);
    },
    refused(words) {
        draw();
        say(words, true);
    },
});

function take(body) {
    Object.assign(state, { marks: body.marks, seats: body.seats, unclear: body.unclear, reading: body.reading });
    document.querySelector('#faults').innerHTML = body.faults;
    swapSigners(body.signers);
    draw();
}

// While a scan is read its places come by and by; what is not stored yet comes first.
async function read() {
    while (state.reading.length > 0) {
        await new Promise((done) => setTimeout(done, 2000));
        const answer = await fetch(`/rounds/${round}/marks`, { headers: { Accept: 'application/json' } }).catch(() => null);
        if (answer?.ok && !line.waits()) take(await answer.json());
    }
}

// What is being typed for a signer stays when the list is drawn anew.
function swapSigners(html) {
    const list = document.querySelector('#signers');
    const typed = new Map([...list.querySelectorAll('input')].map((input) => [input.name, input.value]));
    const focused = document.activeElement?.name;
    list.innerHTML = html;
    for (const input of list.querySelectorAll('input')) {
        if (typed.has(input.name)) input.value = typed.get(input.name);
        if (focused && input.name === focused) input.focus();
    }
}

// Changes

const markKey = () => newKey().replace(/[^0-9a-z]/gi, '').toUpperCase().padEnd(26, '0').slice(0, 26);
const copy = (mark) => ({ ...mark, place: [...mark.place] });
const sent = ({ key, paper, page, seat, kind, place }) => ({ do: 'put', mark: key, paper, page, seat, kind, place });

// What a person does anew ends what could have been done again.
function remembered() {
    ahead.length = 0;
    return past;
}

function put(mark, onto = remembered()) {
    const before = find(mark.key);
    onto.push(before ? { do: 'put', mark: copy(before) } : { do: 'drop', key: mark.key });
    const now = { ...mark, sure: null };
    if (before) state.marks[state.marks.indexOf(before)] = now;
    else state.marks.push(now);
    state.chosen = mark.key;
    line.add(sent(now));
    draw();
}

function drop(key, onto = remembered()) {
    const mark = find(key);
    if (!mark) return;
    onto.push({ do: 'put', mark: copy(mark) });
    state.marks.splice(state.marks.indexOf(mark), 1);
    state.chosen = null;
    line.add({ do: 'drop', mark: key });
    draw();
}

function keepAll() {
    if (!state.marks.some((mark) => mark.sure !== null)) return;
    state.marks.forEach((mark) => { mark.sure = null; });
    line.add({ do: 'keep' });
    draw();
}

// Takes the last step of one list back, and puts what would undo that onto the other.
function turn(from, onto) {
    const step = from.pop();
    if (!step) return;
    const before = onto.length;
    for (const one of step.do === 'all' ? [...step.steps].reverse() : [step]) {
        if (one.do === 'drop') drop(one.key, onto);
        else put(one.mark, onto);
    }
    together(onto, before);
}

// Done with one key, taken back with one.
function together(list, from) {
    if (list.length - from > 1) list.push({ do: 'all', steps: list.splice(from) });
    drawPanel();
}

const fresh = (page, place) => ({
    key: markKey(), paper: Number(page.dataset.paper), page: Number(page.dataset.number), seat: state.seat, kind: state.kind, place, sure: null,
});

// Drawing

const set = (node, values) => Object.entries(values).forEach(([name, value]) => node.setAttribute(name, value));

// As much as there is room for: kind and whose, or the kind and the number, or the number alone.
function wordsIn(width, kind, label) {
    const number = label.replace(/[a-z ]+/g, '');
    return [`${kind} · ${label}`, `${kind} ${number}`.trim(), number].find((words) => words.length * 5.3 < width) ?? number;
}

function drawMark(mark) {
    const [x, y, width, height] = mark.place;
    const seat = seatOf(mark.seat);
    const says = `${mark.kind}, ${seat.label}`;
    const group = element('g', {
        class: `spot tone-${seat.tone}${mark.sure === null ? '' : ' pencil'}${mark.key === state.chosen ? ' chosen' : ''}`,
        tabindex: '0',
        role: 'button',
        'data-mark': mark.key,
        'aria-label': `${says}, page ${mark.page}${mark.sure === null ? '' : ', proposed'}`,
    });
    group.append(element('rect', { class: 'place', x, y, width, height }));
    const text = element('text', { class: 'place-word', x: x + 2, y: y + Math.min(height - 2, 10) });
    text.textContent = wordsIn(width, mark.kind, seat.label);
    group.append(text, element('rect', { class: 'grip', x: x + width - 3, y: y + height - 3, width: 6, height: 6 }));
    return group;
}

function draw() {
    const focused = document.activeElement?.closest?.('[data-mark]')?.dataset.mark;
    for (const page of pages) {
        const layer = page.querySelector('.set');
        layer.replaceChildren(...state.marks.filter((mark) => pageOf(mark) === page).map(drawMark));
    }
    drawPanel();
    if (focused) document.querySelector(`[data-mark="${focused}"]`)?.focus({ preventScroll: true });
}

function drawPanel() {
    const mark = find(state.chosen);
    const seat = mark?.seat ?? state.seat;
    const kind = mark?.kind ?? state.kind;
    document.querySelectorAll('[data-seat]').forEach((one) => one.setAttribute('aria-checked', String(one.dataset.seat === seat)));
    document.querySelectorAll('[data-kind]').forEach((one) => one.setAttribute('aria-checked', String(one.dataset.kind === kind)));
    const pencil = state.marks.filter((one) => one.sure !== null).length;
    document.querySelector('#pencil').hidden = pencil === 0;
    document.querySelector('#pencil span').textContent = `${pencil} ${pencil === 1 ? 'place was' : 'places were'} found. Look them over.`;
    document.querySelector('#undo-mark').disabled = past.length === 0;
    document.querySelector('#redo-mark').disabled = ahead.length === 0;
    keepSteps();
    const reading = document.querySelector('#reading');
    reading.hidden = state.reading.length === 0;
    reading.textContent = `Reading ${state.reading.map((title) => `“${title}”`).join(' and ')} for places to sign. You can go on meanwhile.`;
    drawQuestions();
}

function drawQuestions() {
    document.querySelector('#unclear').replaceChildren(...state.unclear.map((one) => {
        const form = Object.assign(document.createElement('form'), { className: 'line' });
        const label = document.createElement('label');
        const word = one.word === '' ? 'who signs there' : `who is “${one.word}”`;
        label.textContent = `${one.title}: ${word}? (${one.count} ${one.count === 1 ? 'place' : 'places'})`;
        const select = document.createElement('select');
        for (const seat of state.seats) select.append(new Option(`${seat.name} (${seat.label})`, seat.seat));
        label.append(select);
        form.append(label, Object.assign(document.createElement('button'), { className: 'button tight', textContent: 'That is them' }));
        form.addEventListener('submit', (event) => {
            event.preventDefault();
            line.add({ do: 'who', paper: one.paper, word: one.word, seat: select.value });
            say('saving');
        });
        return form;
    }));
}

// Pointing: the box that a click would place shows itself on the line under the pointer

const lines = new Map();

function linesOf(page) {
    const key = `${page.dataset.paper}/pages/${page.dataset.number}`;
    if (!lines.has(key)) {
        lines.set(key, []);
        fetch(`/rounds/${round}/papers/${key}/places`, { headers: { Accept: 'application/json' } })
            .then((answer) => (answer.ok ? answer.json() : []))
            .then((found) => lines.set(key, found))
            .catch(() => lines.delete(key));
    }
    return lines.get(key);
}

function spot(page, [x, y]) {
    const [width, height] = sizes[state.kind];
    const near = linesOf(page).filter(([left, top, wide, high]) => x > left - 6 && x < left + wide + 6 && y > top - 8 && y < top + high + 6);
    const on = near.sort((a, b) => Math.abs(a[1] + a[3] - y) - Math.abs(b[1] + b[3] - y))[0];
    if (!on) return [x - 4, y - height + 4, width, height];
    const [left, top, wide, high] = on;
    const fits = state.kind === 'signature' ? Math.min(wide, 240) : Math.min(wide, width);
    return [wide > fits * 1.6 ? Math.max(left, Math.min(x - 10, left + wide - fits)) : left, top + high - height, fits, height];
}

// Where somebody signs already there is nothing to be placed by a click.
function freeSpot(page, point) {
    const [x, y, width, height] = spot(page, point);
    const isTaken = state.marks.filter((mark) => pageOf(mark) === page).some(({ place: [left, top, wide, high] }) =>
        Math.min(x + width, left + wide) - Math.max(x, left) > width / 2 && Math.min(y + height, top + high) - Math.max(y, top) > height / 2);
    return isTaken ? null : [x, y, width, height].map((n) => Math.round(n * 100) / 100);
}

function ghost(page, place) {
    document.querySelector('.ghost')?.remove();
    if (!place) return;
    const [x, y, width, height] = place;
    const group = element('g', { class: `ghost tone-${seatOf(state.seat).tone}` });
    const text = element('text', { class: 'place-word', x: x + 2, y: y - 2 });
    text.textContent = `${state.kind} · ${seatOf(state.seat).label}`;
    group.append(element('rect', { class: 'place', x, y, width, height }), text);
    page.querySelector('svg').append(group);
}

for (const page of pages) {
    const svg = page.querySelector('svg');
    let start = null;
    svg.addEventListener('pointerdown', (event) => {
        if (event.button !== 0) return;
        const mark = find(event.target.closest('[data-mark]')?.dataset.mark);
        start = { point: at(svg, event), mark: mark && copy(mark), size: event.target.classList.contains('grip') };
        state.chosen = mark?.key ?? null;
        draw();
        if (mark) document.querySelector(`[data-mark="${mark.key}"]`)?.focus({ preventScroll: true });
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
        if (!start.mark || Math.hypot(dx, dy) < 2) return;
        const [x, y, width, height] = start.mark.place;
        start.place = start.size ? [x, y, Math.max(12, width + dx), Math.max(8, height + dy)] : [x + dx, y + dy, width, height];
        const node = document.querySelector(`[data-mark="${start.mark.key}"]`);
        set(node.querySelector('.place'), { x: start.place[0], y: start.place[1], width: start.place[2], height: start.place[3] });
    });
    svg.addEventListener('pointerup', (event) => {
        if (!start) return;
        const key = event.altKey && !start.size ? markKey() : start.mark?.key;
        if (start.place) put({ ...find(start.mark.key), key, place: start.place.map((n) => Math.round(n * 100) / 100) });
        else if (!start.mark && state.seat) {
            ghost(page, null);
            const place = freeSpot(page, at(svg, event));
            if (place) put(fresh(page, place));
        }
        start = null;
    });
    svg.addEventListener('pointercancel', () => { start = null; draw(); });
    svg.addEventListener('pointerleave', () => ghost(page, null));
}

// With the keyboard

const ways = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };

function choose(what, value) {
    const mark = find(state.chosen);
    state[what] = value;
    if (mark && mark[what] !== value) put({ ...copy(mark), [what]: value });
    else drawPanel();
}

// The same for the one who signs beside: the next seat of the role, on the next line below or beside.
function coSigner(mark) {
    const [role, number] = mark.seat.split('.');
    const seat = `${role}.${Number(number) + 1}`;
    if (!state.seats.some((one) => one.seat === seat)) {
        say(`There is no ${role} ${Number(number) + 1} in this file.`, true);
        return;
    }
    const [x, y, width, height] = mark.place;
    const foot = y + height;
    const below = linesOf(pageOf(mark))
        .filter(([left, top, wide, high]) => Math.abs(left - x) < 12 && top + high > foot + 8 && wide > 0.5 * width)
        .sort((a, b) => a[1] - b[1])[0];
    const place = below ? [below[0], below[1] + below[3] - height, width, height] : [x, y + height + 14, width, height];
    put({ ...copy(mark), key: markKey(), seat, place });
}

// The same on every page of the paper that has none of its kind for that person.
function everyPage(mark) {
    const before = past.length;
    for (const page of pages.filter((one) => Number(one.dataset.paper) === mark.paper)) {
        const number = Number(page.dataset.number);
        const there = state.marks.some((one) => one.paper === mark.paper && one.page === number && one.seat === mark.seat && one.kind === mark.kind);
        if (!there) put({ ...copy(mark), key: markKey(), page: number });
    }
    together(past, before);
}

const acts = {
    Delete: (mark) => drop(mark.key),
    Backspace: (mark) => drop(mark.key),
    '=': coSigner,
    '+': everyPage,
};

document.addEventListener('keydown', (event) => {
    if (event.target.matches('input, textarea, select') || event.altKey) return;
    const key = event.key.toLowerCase();
    if ((event.ctrlKey || event.metaKey) && (key === 'z' || key === 'y')) {
        event.preventDefault();
        if (key === 'z' && !event.shiftKey) turn(past, ahead);
        else turn(ahead, past);
        return;
    }
    if (event.ctrlKey || event.metaKey || event.repeat && !ways[event.key]) return;
    const mark = find(event.target.closest?.('[data-mark]')?.dataset.mark) ?? find(state.chosen);
    const seat = /^[1-9]$/.test(event.key) ? state.seats[Number(event.key) - 1] : null;
    if (seat) choose('seat', seat.seat);
    else if (keys[event.key]) choose('kind', keys[event.key]);
    else if (mark && acts[event.key]) acts[event.key](mark);
    else if (mark && ways[event.key] && event.target.closest?.('[data-mark]')) {
        const [dx, dy] = ways[event.key].map((n) => n * (event.shiftKey ? 8 : 1));
        const [x, y, width, height] = mark.place;
        put({ ...copy(mark), place: [x + dx, y + dy, width, height] });
    } else if (event.key === 'Enter' && !event.target.closest?.('button, a, summary')) keepAll();
    else return;
    event.preventDefault();
    event.stopImmediatePropagation();
}, true);

desk.addEventListener('focusin', (event) => {
    const key = event.target.closest('[data-mark]')?.dataset.mark;
    if (key && key !== state.chosen) {
        state.chosen = key;
        draw();
    }
});
document.addEventListener('click', (event) => {
    const button = event.target.closest('[data-seat], [data-kind], [data-keep], #undo-mark, #redo-mark');
    if (!button) return;
    if (button.dataset.seat) choose('seat', button.dataset.seat);
    else if (button.dataset.kind) choose('kind', button.dataset.kind);
    else if ('keep' in button.dataset) keepAll();
    else if (button.id === 'undo-mark') turn(past, ahead);
    else turn(ahead, past);
});

draw();
line.send();
read();
