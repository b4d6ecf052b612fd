// The making of a form: blanks and marks are placed, moved and described on its pages. Every change goes to the server as
// it is made, with a key of its own; while there is no connection changes wait on the device, in order.

import { at, element } from './on-page.js';
import { newKey, waitingLine } from './waiting.js';

const desk = document.querySelector('#own-form');
const key = desk.dataset.form;
const stored = document.querySelector('#stored');
const panel = document.querySelector('#item');
const order = document.querySelector('#order');
const undo = document.querySelector('#undo');
let items = JSON.parse(desk.dataset.items);
let chosen = null;
const past = [];

const line = waitingLine({
    shelf: `form:${key}`,
    url: `/own-forms/${key}/changes`,
    noun: 'change',
    says: ({ change }) => (change.item ? `${change.item.label || change.item.name || 'A blank'}, changed` : 'A change of this form'),
    told: tell,
    stored: settle,
    refused(words, { change }) {
        tell(words, true);
        if (change.do === 'about') document.querySelector('.about').open = true;
    },
});
const idOf = (change) => change.item?.id ?? change.id ?? change.do;

function store(change) {
    // A change that was refused is let go of for what is done with the same thing now.
    line.all().filter((one) => one.refused && idOf(one.change) === idOf(change)).forEach((one) => line.drop(one.key));
    line.add({ change });
}

function tell(words, late = false) {
    stored.textContent = words;
    stored.className = late ? 'stored waiting' : 'stored';
}

function settle(body) {
    showFaults(body.faults);
    if (line.waits() || timer) return;
    tell(`saved at ${new Date().toLocaleTimeString('en-US', { hour: 'numeric', minute: '2-digit' }).toLowerCase()}`);
    if (JSON.stringify(body.items) !== JSON.stringify(items)) {
        items = body.items;
        draw();
    }
}

// Changes

const copy = (item) => JSON.parse(JSON.stringify(item));
const find = (id) => items.find((item) => item.id === id);
let timer = null;
let held = null;

function flush() {
    clearTimeout(timer);
    timer = null;
    if (held) store({ do: 'put', item: find(held) });
    held = null;
}

// An item as it is from now on. Steps that follow each other quickly, as with arrow keys, go out as one.
function put(item, later = false) {
    const at = items.findIndex((one) => one.id === item.id);
    if (held && held !== item.id) flush();
    if (at < 0) {
        past.push({ do: 'drop', id: item.id });
        items.push(item);
    } else {
        if (held !== item.id) past.push({ do: 'put', item: copy(items[at]), to: at });
        items[at] = item;
    }
    held = item.id;
    draw();
    clearTimeout(timer);
    if (later) timer = setTimeout(flush, 450);
    else flush();
}

function drop(id) {
    flush();
    const at = items.findIndex((one) => one.id === id);
    if (at < 0) return;
    past.push({ do: 'put', item: copy(items[at]), to: at });
    items.splice(at, 1);
    choose(items[Math.min(at, items.length - 1)]?.id ?? null);
    store({ do: 'drop', id });
}

function move(id, to) {
    flush();
    const at = items.findIndex((one) => one.id === id);
    const goal = Math.max(0, Math.min(items.length - 1, to));
    if (at === goal) return;
    past.push({ do: 'move', id, to: at });
    items.splice(goal, 0, ...items.splice(at, 1));
    draw();
    store({ do: 'move', id, to: goal });
    order.querySelector(`[data-id="${id}"] button`)?.focus();
}

function back() {
    flush();
    const step = past.pop();
    if (!step) return;
    if (step.do === 'drop') items = items.filter((one) => one.id !== step.id);
    else if (step.do === 'move') items.splice(step.to, 0, ...items.splice(items.findIndex((one) => one.id === step.id), 1));
    else if (find(step.item.id)) items[items.findIndex((one) => one.id === step.item.id)] = step.item;
    else items.splice(step.to, 0, step.item);
    store(step);
    choose(step.item?.id ?? (step.do === 'move' ? step.id : null));
}

function fresh(page, place, like = null) {
    const id = `n${newKey().replace(/-/g, '').slice(0, 12)}`;
    const base = like ? copy(like) : { mark: false, kind: place[2] < 14 && place[3] < 14 ? 'tick' : place[3] > 34 ? 'lines' : 'text', name: '', label: '', required: false, binding: '', formula: '', group: '', when: '', options: [], seat: '' };
    const item = { ...base, id, page, place: place.map((n) => Math.round(n * 100) / 100), formula: '', binding: like ? '' : base.binding };
    if (!item.mark) item.name = freeName(like ? like.name.replace(/_\d+$/, '') : item.kind === 'tick' ? 'tick' : 'blank');
    if (!item.mark && !like) item.label = '';
    if (item.mark && like) item.seat = like.seat.replace(/\d+$/, (n) => Number(n) + 1);
    return item;
}

function freeName(stem) {
    const taken = new Set(items.map((item) => item.name));
    let name = stem;
    for (let n = 2; taken.has(name); n += 1) name = `${stem}_${n}`;
    return name;
}

function nameFrom(label) {
    const plain = label.normalize('NFKD').toLowerCase().replace(/[^a-z0-9]+/g, '_').replace(/^_+|_+$/g, '').slice(0, 40);
    return freeName(/^[a-z]/.test(plain) ? plain : `b_${plain}`);
}

// Drawing

const words = (item) => item.mark ? `${item.kind} · ${item.seat ? item.seat.replace('.', ' ') : 'no one yet'}` : item.label || item.name;

function draw() {
    const focused = document.activeElement?.closest?.('.item-group')?.dataset.id;
    for (const page of document.querySelectorAll('[data-page]')) {
        const layer = page.querySelector('.items');
        const mine = items.filter((item) => item.page === Number(page.dataset.page));
        const there = new Map([...layer.children].map((group) => [group.dataset.id, group]));
        for (const item of mine) {
            const [x, y, width, height] = item.place;
            let group = there.get(item.id);
            if (!group) {
                group = element('g', { class: 'item-group', tabindex: '0', role: 'button', 'data-id': item.id });
                group.append(element('rect', { class: 'item' }), element('text', { class: 'item-word' }), element('rect', { class: 'grip' }));
                layer.append(group);
            }
            there.delete(item.id);
            group.setAttribute('class', `item-group${item.id === chosen ? ' chosen' : ''}${item.mark ? ` is-mark tone-${tone(item.seat)}` : ''}${item.required ? ' needed' : ''}${item.binding || item.formula ? ' follows' : ''}`);
            group.setAttribute('aria-label', `${words(item)}, page ${item.page}`);
            const [rect, text, grip] = group.children;
            for (const [name, value] of Object.entries({ x, y, width, height })) rect.setAttribute(name, value);
            text.setAttribute('x', x + 1.5);
            text.setAttribute('y', y + Math.min(height - 1, 6.5));
            text.textContent = width < 30 && !item.mark ? '' : words(item).slice(0, Math.max(3, Math.floor(width / 3)));
            for (const [name, value] of Object.entries({ x: x + width - 3, y: y + height - 3, width: 6, height: 6 })) grip.setAttribute(name, value);
        }
        there.forEach((group) => group.remove());
    }
    drawOrder();
    drawPanel();
    undo.disabled = past.length === 0;
    if (focused) document.querySelector(`.item-group[data-id="${focused}"]`)?.focus({ preventScroll: true });
}

function tone(seat) {
    const role = seat.split('.')[0];
    return { buyer: 'buyer', tenant: 'buyer', seller: 'seller', landlord: 'seller', agent: 'agent', coagent: 'agent', broker: 'broker' }[role] || 'other';
}

function drawOrder() {
    const focused = document.activeElement?.closest?.('#order li')?.dataset.id;
    document.querySelector('#count').textContent = items.length === 1 ? '1 blank or mark' : `${items.length} blanks and marks`;
    order.replaceChildren(...items.map((item) => {
        const row = document.createElement('li');
        row.dataset.id = item.id;
        row.draggable = true;
        row.className = item.id === chosen ? 'at' : '';
        const button = document.createElement('button');
        button.type = 'button';
        const label = document.createElement('span');
        label.className = 'label';
        label.textContent = words(item);
        const where = document.createElement('span');
        where.className = 'value';
        where.textContent = `p. ${item.page}`;
        button.append(label, where);
        const small = document.createElement('small');
        small.textContent = item.mark ? '' : [panel.elements.kind.querySelector(`option[value="${item.kind}"]`)?.textContent.toLowerCase(), item.binding && `follows ${factName(item.binding)}`, item.formula && `= ${item.formula}`, item.required && 'must be filled'].filter(Boolean).join(', ');
        row.append(button, small);
        return row;
    }));
    if (focused) order.querySelector(`[data-id="${focused}"] button`)?.focus({ preventScroll: true });
}

function factName(binding) {
    const [fact, value] = binding.split('?');
    const name = document.querySelector(`#bindings option[value="${CSS.escape(fact)}"]`)?.textContent.toLowerCase() || fact;
    return value ? `${name} is ${value}` : name;
}

function drawPanel() {
    const item = find(chosen);
    panel.hidden = !item;
    document.querySelector('#point').hidden = Boolean(item);
    if (!item) return;
    document.querySelector('#fact-name').textContent = item.binding ? factName(item.binding) : '';
    document.querySelector('#item-head').textContent = item.mark ? 'Mark' : item.label || 'Blank';
    const fields = panel.elements;
    const values = { kind: item.mark ? `mark:${item.kind}` : item.kind, seat: item.seat, label: item.label, binding: item.binding, options: item.options.join('\n'), name: item.name, group: item.group, formula: item.formula, when: item.when };
    for (const [name, value] of Object.entries(values)) if (fields[name] !== document.activeElement) fields[name].value = value;
    fields.required.checked = item.required;
    const hide = (selector, hidden) => panel.querySelectorAll(selector).forEach((part) => { part.hidden = hidden; });
    hide('.for-mark', !item.mark);
    hide('.for-blank', item.mark);
    hide('.for-choice', item.mark || item.kind !== 'choice');
    hide('.for-tick', item.kind !== 'tick');
    hide('.for-money', item.kind !== 'money');
    const list = (id, all) => document.querySelector(id).replaceChildren(...[...new Set(all)].filter(Boolean).map((value) => Object.assign(document.createElement('option'), { value })));
    list('#groups', items.map((one) => one.group));
    list('#names', items.map((one) => one.name));
}

function showFaults(faults) {
    const blocking = faults.filter((fault) => fault.blocks).length;
    const fit = document.querySelector('#fit');
    fit.textContent = blocking === 0 ? 'Ready to activate' : blocking === 1 ? '1 thing to fix first' : `${blocking} things to fix first`;
    fit.className = blocking === 0 ? 'ok' : 'hot';
    const button = document.querySelector('#in-force');
    if (button) button.disabled = blocking > 0;
    document.querySelector('#faults').hidden = faults.length === 0;
    document.querySelector('#faults').replaceChildren(...faults.slice(0, 12).map((fault) => {
        const row = document.createElement('li');
        const go = document.createElement('button');
        go.type = 'button';
        go.className = `plain-button${fault.blocks ? '' : ' dim'}`;
        go.textContent = fault.text;
        go.addEventListener('click', () => fault.item && choose(fault.item, true));
        row.append(go);
        return row;
    }));
}

function choose(id, go = false) {
    if (chosen !== id) flush();
    chosen = id;
    draw();
    const group = id && document.querySelector(`.item-group[data-id="${id}"]`);
    if (!group) return;
    if (go) {
        group.scrollIntoView({ block: 'center' });
        group.focus({ preventScroll: true });
    }
    const row = order.querySelector(`[data-id="${id}"]`);
    if (row && (row.offsetTop - order.offsetTop < order.scrollTop || row.offsetTop - order.offsetTop + row.offsetHeight > order.scrollTop + order.clientHeight)) order.scrollTop = row.offsetTop - order.offsetTop - order.clientHeight / 2;
}

// With the mouse, or a finger

const within = (item, page) => {
    const svg = page.querySelector('svg');
    const [width, height] = [Number(svg.dataset.width), Number(svg.dataset.height)];
    item.place = [Math.max(0, Math.min(item.place[0], width - item.place[2])), Math.max(0, Math.min(item.place[1], height - item.place[3])), Math.max(4, Math.min(item.place[2], width)), Math.max(4, Math.min(item.place[3], height))].map((n) => Math.round(n * 100) / 100);
    return item;
};

document.querySelectorAll('[data-page]').forEach((page) => {
    const svg = page.querySelector('svg');
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
        const [x, y] = at(svg, event);
        const [dx, dy] = [x - start.point[0], y - start.point[1]];
        if (!start.moved && Math.hypot(dx, dy) < 3) return;
        start.moved = true;
        if (start.id) {
            const [left, top, width, height] = start.item.place;
            const item = { ...copy(start.item), place: start.size ? [left, top, Math.max(4, width + dx), Math.max(4, height + dy)] : [left + dx, top + dy, width, height] };
            put(within(item, page), true);
        } else {
            let frame = svg.querySelector('.drawing');
            if (!frame) svg.append(frame = element('rect', { class: 'drawing' }));
            for (const [name, value] of Object.entries({ x: Math.min(x, start.point[0]), y: Math.min(y, start.point[1]), width: Math.abs(dx), height: Math.abs(dy) })) frame.setAttribute(name, value);
        }
    });
    svg.addEventListener('pointerup', (event) => {
        if (!start) return;
        const [x, y] = at(svg, event);
        svg.querySelector('.drawing')?.remove();
        if (!start.id && start.moved && Math.abs(x - start.point[0]) > 4 && Math.abs(y - start.point[1]) > 4) {
            add(fresh(Number(page.dataset.page), [Math.min(x, start.point[0]), Math.min(y, start.point[1]), Math.abs(x - start.point[0]), Math.abs(y - start.point[1])]));
        } else if (!start.id) {
            choose(null);
        } else {
            flush();
        }
        start = null;
    });
    svg.addEventListener('pointercancel', () => { start = null; svg.querySelector('.drawing')?.remove(); });
});

function add(item) {
    chosen = item.id;
    put(item);
    choose(item.id);
    if (!item.mark) panel.elements.label.focus();
}

function beside(item) {
    const page = document.querySelector(`[data-page="${item.page}"]`);
    const width = Number(page.querySelector('svg').dataset.width);
    const [x, y, w, h] = item.place;
    const place = x + 2 * w + 8 <= width ? [x + w + 8, y, w, h] : [x, y + h + 8, w, h];
    add(within(fresh(item.page, place, item), page));
}

// With the keyboard

document.querySelector('.pages').addEventListener('keydown', (event) => {
    const item = find(event.target.closest('.item-group')?.dataset.id);
    if (!item || event.ctrlKey || event.metaKey || event.key === 'Tab') return;
    // The page's own keys: none of the brokerage's.
    event.stopPropagation();
    if (chosen !== item.id) choose(item.id);
    const step = event.altKey ? 10 : 1;
    const way = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[event.key];
    if (way) {
        event.preventDefault();
        const [x, y, width, height] = item.place;
        const place = event.shiftKey ? [x, y, Math.max(4, width + way[0]), Math.max(4, height + way[1])] : [x + way[0], y + way[1], width, height];
        put(within({ ...copy(item), place }, event.target.closest('[data-page]')), true);
    } else if (event.key === 'Delete' || event.key === 'Backspace') {
        event.preventDefault();
        drop(item.id);
        document.querySelector(`.item-group[data-id="${chosen}"]`)?.focus();
    } else if (event.key === '=') {
        event.preventDefault();
        beside(item);
    } else if (event.key === 'n') {
        event.preventDefault();
        add(within(fresh(item.page, [item.place[0], item.place[1] + item.place[3] + 6, 140, 14]), event.target.closest('[data-page]')));
    } else if (event.key === 'Enter') {
        event.preventDefault();
        (item.mark ? panel.elements.seat : panel.elements.label).focus();
    }
});
document.querySelector('.pages').addEventListener('focusin', (event) => {
    const id = event.target.closest('.item-group')?.dataset.id;
    if (id && id !== chosen) choose(id);
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

// Beside the page

panel.addEventListener('change', (event) => {
    const item = copy(find(chosen));
    const field = event.target;
    const unnamed = item.name === '' || /^(blank|tick)(_\d+)?$/.test(item.name);
    if (field.name === 'kind') {
        item.mark = field.value.startsWith('mark:');
        item.kind = field.value.replace('mark:', '');
        if (item.mark) Object.assign(item, { binding: '', formula: '', group: '', when: '', required: false });
        else if (item.name === '') item.name = freeName('blank');
        if (item.kind !== 'tick') item.group = '';
        if (item.kind !== 'money') item.formula = '';
    } else if (field.name === 'required') item.required = field.checked;
    else if (field.name === 'options') item.options = field.value.split('\n').map((line) => line.trim()).filter(Boolean);
    else item[field.name] = field.value.trim();
    if (field.name === 'label' && unnamed && item.label) item.name = nameFrom(item.label);
    put(item);
});
panel.addEventListener('submit', (event) => event.preventDefault());
panel.addEventListener('keydown', (event) => {
    if (event.key === 'Enter' && event.target.tagName !== 'TEXTAREA' && event.target.tagName !== 'BUTTON') {
        event.preventDefault();
        event.target.blur();
        const at = items.findIndex((item) => item.id === chosen);
        if (items[at + 1]) choose(items[at + 1].id, true);
    } else if (event.key === 'Escape') {
        document.querySelector(`.item-group[data-id="${chosen}"]`)?.focus();
    }
});
document.querySelector('#again').addEventListener('click', () => beside(find(chosen)));
document.querySelector('#drop').addEventListener('click', () => drop(chosen));
document.querySelector('#reading-order').addEventListener('click', () => { flush(); store({ do: 'order' }); });
undo.addEventListener('click', back);

order.addEventListener('click', (event) => {
    const id = event.target.closest('li')?.dataset.id;
    if (id) choose(id, true);
});
order.addEventListener('keydown', (event) => {
    const row = event.target.closest('li');
    if (!row || !event.altKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return;
    event.preventDefault();
    move(row.dataset.id, items.findIndex((item) => item.id === row.dataset.id) + (event.key === 'ArrowUp' ? -1 : 1));
});
let dragged = null;
order.addEventListener('dragstart', (event) => { dragged = event.target.closest('li')?.dataset.id; event.dataTransfer.effectAllowed = 'move'; });
order.addEventListener('dragover', (event) => event.preventDefault());
order.addEventListener('drop', (event) => {
    event.preventDefault();
    const onto = event.target.closest('li')?.dataset.id;
    if (dragged && onto) move(dragged, items.findIndex((item) => item.id === onto));
});

const about = document.querySelector('#about');
about.addEventListener('change', () => store({ do: 'about', ...Object.fromEntries(new FormData(about)) }));
about.addEventListener('submit', (event) => event.preventDefault());

window.addEventListener('pagehide', flush);
showFaults(JSON.parse(desk.dataset.faults));
for (const { change } of line.all()) {
    if (change.do === 'put') {
        const there = items.findIndex((one) => one.id === change.item.id);
        if (there < 0) items.push(change.item);
        else items[there] = change.item;
    } else if (change.do === 'drop') items = items.filter((one) => one.id !== change.id);
}
draw();
line.send();
