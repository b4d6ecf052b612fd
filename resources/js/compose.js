// Composing a round: where each person signs is pointed at, moved, given to another and taken away. What was found stands in
// pencil until it is kept. Every change goes to the server as it is made; while there is no connection it waits on the device.

import { drawMark } from './compose/drawing.js';
import { linesOf } from './compose/lines.js';
import './compose/drawn.js';
import { copy, desk, find, pageOf, pages, round, selected, state } from './compose/state.js';
import './bring.js';
import { countMarks, standAsDrawn } from './compose/papers.js';
import { follow } from './compose/pointer.js';
import { newStep, turnStep } from './compose/steps.js';
import { showTerms } from './compose/terms.js';
import { showFaults } from './compose/mends.js';
import { followTurns } from './compose/turns.js';
import './compose/words.js';
import { newKey, waitingLine } from './waiting.js';

const keys = Object.fromEntries([...document.querySelectorAll('[data-kind][data-key]')].map((one) => [one.dataset.key, one.dataset.kind]));
const told = document.querySelector('#marks-told');
const say = (words, late = false) => {
    told.textContent = words;
    told.className = late ? 'stored waiting' : 'stored';
};
const line = waitingLine({
    shelf: `marks:${round}`,
    url: `/rounds/${round}/marks`,
    noun: 'change',
    says: (change) => ({ put: 'A place to sign', drop: 'A place removed', keep: 'Places kept', who: 'Who signs', nobody: 'Who signs', stencil: 'Which stencil', names: 'Names from the file' })[change.do],
    told: (words) => say(words, true),
    stored(body, change) {
        if (line.waits()) return;
        take(body, ['back', 'again'].includes(change.do));
        say(`saved at ${new Date().toLocaleTimeString('en-US', { hour: 'numeric', minute: '2-digit' }).toLowerCase()}`);
    },
    refused(words) {
        draw();
        say(words, true);
        if (!line.waits()) turnStep.next();
    },
});

// What is stored is one step or several under one word; the server knows how to take each back, also tomorrow.
turnStep.by = (way) => {
    if (line.waits()) {
        if (!navigator.onLine) say('There is no connection. This is done when it is back.', true);
        return false;
    }
    if (state.steps[way]) line.add({ do: way, step: state.steps[way] });
    return true;
};

function take(body, isTurned = false) {
    const { marks, seats, unclear, reading, stencils, steps } = body;
    Object.assign(state, { marks, seats, unclear, reading, stencils, steps });
    // A paper that came back, or stands elsewhere, brings its pages.
    if (isTurned && !standAsDrawn(body.papers)) return location.reload();
    if (!find(state.chosen)) state.chosen = null;
    showFaults(body.faults);
    swapSigners(body.signers, isTurned);
    draw();
    turnStep.next();
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
function swapSigners(html, isTurned) {
    const list = document.querySelector('#signers');
    const typed = new Map([...list.querySelectorAll('input, textarea, select')].map((input) => [input.name, input.value]));
    const focused = document.activeElement?.name;
    const row = document.activeElement?.dataset.signer;
    const open = [...list.querySelectorAll('details[open]')].map((one) => one.closest('[data-signer]').dataset.signer);
    list.innerHTML = html;
    open.forEach((signer) => list.querySelector(`[data-signer="${signer}"] details`)?.setAttribute('open', ''));
    if (row) list.querySelector(`[data-signer="${row}"]`)?.focus();
    for (const input of list.querySelectorAll('input, textarea, select')) {
        if (typed.has(input.name) && (!isTurned || input.name === focused)) input.value = typed.get(input.name);
        if (focused && input.name === focused) input.focus();
    }
}

// Changes

const markKey = () => newKey().replace(/[^0-9a-z]/gi, '').toUpperCase().padEnd(26, '0').slice(0, 26);
const sent = ({ key, paper, page, seat, kind, place, terms }) => ({ do: 'put', mark: key, paper, page, seat, kind, place, terms });

function put(mark, step = newStep()) {
    const before = find(mark.key);
    const now = { ...mark, sure: null };
    if (before) state.marks[state.marks.indexOf(before)] = now;
    else state.marks.push(now);
    state.chosen = mark.key;
    line.add({ ...sent(now), step });
    draw();
}

function drop(key, step = newStep()) {
    const mark = find(key);
    if (!mark) return;
    state.marks.splice(state.marks.indexOf(mark), 1);
    state.chosen = null;
    line.add({ do: 'drop', mark: key, step });
    draw();
}

function keepAll() {
    if (!state.marks.some((mark) => mark.sure !== null)) return;
    state.marks.forEach((mark) => { mark.sure = null; });
    line.add({ do: 'keep', step: newStep() });
    draw();
}

// The same done to all that are chosen is one step.
function changeAll(change, step = newStep()) {
    const { chosen } = state;
    for (const mark of selected()) put({ ...copy(mark), ...change(mark) }, step);
    state.chosen = chosen;
    draw();
}

function dropAll() {
    const step = newStep();
    for (const mark of selected()) drop(mark.key, step);
    state.more.clear();
    drawPanel();
}

const fresh = (page, place) => ({
    key: markKey(), paper: Number(page.dataset.paper), page: Number(page.dataset.number), seat: state.seat, kind: state.kind, place, terms: {}, sure: null,
});

function draw() {
    const focused = document.activeElement?.closest?.('[data-mark]')?.dataset.mark;
    for (const page of pages) {
        const layer = page.querySelector('.set');
        layer.replaceChildren(...state.marks.filter((mark) => pageOf(mark) === page).map(drawMark));
    }
    drawPanel();
    countMarks();
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
    document.querySelector('#several').hidden = selected().length < 2;
    document.querySelector('#undo-mark').disabled = !state.steps.back && !line.waits();
    document.querySelector('#redo-mark').disabled = !state.steps.again;
    const reading = document.querySelector('#reading');
    reading.hidden = state.reading.length === 0;
    reading.textContent = `Reading ${state.reading.map((title) => `“${title}”`).join(' and ')} for places to sign. You can go on meanwhile.`;
    showTerms(selected().length === 1 ? mark : null, (terms) => put({ ...copy(find(state.chosen)), terms }));
    drawQuestions();
}

// Several stencils fit: somebody says which is meant.
function whichStencil(one) {
    const form = Object.assign(document.createElement('form'), { className: 'line' });
    const label = Object.assign(document.createElement('label'), { textContent: `Which stencil for “${one.title}”?` });
    const select = document.createElement('select');
    for (const choice of one.choices) select.append(new Option(choice.name, choice.key));
    label.append(select);
    const none = Object.assign(document.createElement('button'), { type: 'button', className: 'button tight plain', textContent: 'None of these' });
    form.append(label, Object.assign(document.createElement('button'), { className: 'button tight', textContent: 'Use it' }), none);
    const choose = (stencil) => {
        line.add({ do: 'stencil', paper: one.paper, stencil });
        say('saving');
    };
    form.addEventListener('submit', (event) => {
        event.preventDefault();
        choose(select.value);
    });
    none.addEventListener('click', () => choose(''));
    return form;
}

function drawQuestions() {
    document.querySelector('#unclear').replaceChildren(...state.stencils.map(whichStencil), ...state.unclear.map((one) => {
        const form = Object.assign(document.createElement('form'), { className: 'line' });
        const label = document.createElement('label');
        const word = one.word === '' ? 'who signs there' : `who is “${one.word}”`;
        label.textContent = `${one.title}: ${word}? (${one.count} ${one.count === 1 ? 'place' : 'places'})`;
        const select = document.createElement('select');
        for (const seat of state.seats) select.append(new Option(`${seat.name} (${seat.label})`, seat.seat));
        label.append(select);
        const nobody = Object.assign(document.createElement('button'), {
            type: 'button', className: 'button tight plain', textContent: 'No one I ask',
        });
        nobody.addEventListener('click', () => {
            line.add({ do: 'nobody', paper: one.paper, word: one.word });
            say('saving');
        });
        form.append(label, Object.assign(document.createElement('button'), { className: 'button tight', textContent: 'That is them' }), nobody);
        form.addEventListener('submit', (event) => {
            event.preventDefault();
            line.add({ do: 'who', paper: one.paper, word: one.word, seat: select.value });
            say('saving');
        });
        return form;
    }));
}

document.addEventListener('arranged', async () => {
    const answer = await fetch(`/rounds/${round}/marks`, { headers: { Accept: 'application/json' } }).catch(() => null);
    if (answer?.ok && !line.waits()) take(await answer.json());
});

follow({ put, changeAll, draw, fresh, markKey });

// What was entered about the round is stored: what is still wrong is told anew, and the boxes stand as they are now.
followTurns(say, async (isMoved) => {
    const answer = await fetch(`/rounds/${round}/marks`, { headers: { Accept: 'application/json' } }).catch(() => null);
    if (answer?.ok && !line.waits()) {
        const body = await answer.json();
        if (isMoved) return take(body);
        showFaults(body.faults);
        state.steps = body.steps;
        drawPanel();
    }
});

// With the keyboard

const ways = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };

function choose(what, value) {
    state[what] = value;
    if (selected().some((mark) => mark[what] !== value)) changeAll(() => ({ [what]: value }));
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
        .filter(([left, top, wide, high, shape]) => shape === 'line' && Math.abs(left - x) < 12 && top + high > foot + 8 && wide > 0.5 * width)
        .sort((a, b) => a[1] - b[1])[0];
    const place = below ? [below[0], below[1] + below[3] - height, width, height] : [x, y + height + 14, width, height];
    put({ ...copy(mark), key: markKey(), seat, place });
}

// The same on every page of the paper that has none of its kind for that person.
function everyPage(mark) {
    const step = newStep();
    for (const page of pages.filter((one) => Number(one.dataset.paper) === mark.paper)) {
        const number = Number(page.dataset.number);
        const there = state.marks.some((one) => one.paper === mark.paper && one.page === number && one.seat === mark.seat && one.kind === mark.kind);
        if (!there) put({ ...copy(mark), key: markKey(), page: number }, step);
    }
}

function show(key) {
    state.chosen = key;
    state.more.clear();
    draw();
    const mark = document.querySelector(`[data-mark="${key}"]`);
    mark?.scrollIntoView({ block: 'center' });
    mark?.focus({ preventScroll: true });
}

// After the one that was chosen first.
function align(how) {
    const [x, y, width, height] = find(state.chosen).place;
    changeAll(({ place: [left, top, wide, high] }) => ({
        place: { left: [x, top, wide, high], foot: [left, y + height - high, wide, high], size: [left, top, width, height] }[how],
    }));
}

const acts = {
    Delete: dropAll,
    Backspace: dropAll,
    '=': coSigner,
    '+': everyPage,
};

document.addEventListener('keydown', (event) => {
    if (event.target.matches('input, textarea, select') || event.altKey) return;
    const key = event.key.toLowerCase();
    if ((event.ctrlKey || event.metaKey) && (key === 'z' || key === 'y')) {
        event.preventDefault();
        turnStep(key === 'z' && !event.shiftKey ? 'back' : 'again');
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
        const step = newStep(`${[mark.key, ...state.more]}`);
        changeAll(({ place: [x, y, width, height] }) => ({ place: [x + dx, y + dy, width, height] }), step);
    } else if (event.key === 'Escape' && mark) {
        state.chosen = null;
        state.more.clear();
        document.activeElement?.closest?.('[data-mark]')?.blur();
        draw();
    } else if (event.key === 'Enter' && !event.target.closest?.('button, a, summary')) keepAll();
    else return;
    event.preventDefault();
    event.stopImmediatePropagation();
}, true);

desk.addEventListener('focusin', (event) => {
    const key = event.target.closest('[data-mark]')?.dataset.mark;
    if (key && key !== state.chosen && !state.more.has(key)) {
        state.chosen = key;
        state.more.clear();
        draw();
    }
});
document.addEventListener('click', (event) => {
    const button = event.target.closest('[data-seat], [data-kind], [data-keep], [data-align], [data-every], [data-show], [data-names], #undo-mark, #redo-mark');
    if (!button) return;
    if (button.dataset.seat) choose('seat', button.dataset.seat);
    else if (button.dataset.kind) choose('kind', button.dataset.kind);
    else if ('keep' in button.dataset) keepAll();
    else if (button.dataset.every) everyPage(find(button.dataset.every));
    else if (button.dataset.show) show(button.dataset.show);
    else if ('names' in button.dataset) line.add({ do: 'names' });
    else if (button.dataset.align) align(button.dataset.align);
    else turnStep(button.id === 'undo-mark' ? 'back' : 'again');
});

draw();
line.send();
read();
