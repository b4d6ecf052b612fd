// The form in the making as it is seen: its items on the pages, their order beside them, and what is still to be mended.

import { element } from '../on-page.js';
import { canGoBack, choose, on, state } from './store.js';
import { drawPanel, factName, kindName } from './panel.js';

const order = document.querySelector('#order');
const undo = document.querySelector('#undo');
const stored = document.querySelector('#stored');

const tones = { buyer: 'buyer', tenant: 'buyer', seller: 'seller', landlord: 'seller', agent: 'agent', coagent: 'agent', broker: 'broker' };
const tone = (seat) => tones[seat.split('.')[0]] || 'other';
const words = (item) => (item.mark
    ? `${item.kind} · ${item.seat ? item.seat.replace('.', ' ') : 'no one yet'}`
    : item.label || item.name);
const set = (node, values) => Object.entries(values).forEach(([name, value]) => node.setAttribute(name, value));

function draw({ id = null, go = false } = {}) {
    const focused = document.activeElement?.closest?.('.item-group')?.dataset.id;
    document.querySelectorAll('[data-page]').forEach(drawPage);
    drawOrder();
    drawPanel();
    undo.disabled = !canGoBack();
    if (focused) document.querySelector(`.item-group[data-id="${focused}"]`)?.focus({ preventScroll: true });
    if (id) bringIntoSight(id, go);
}

function drawPage(page) {
    const layer = page.querySelector('.items');
    const there = new Map([...layer.children].map((group) => [group.dataset.id, group]));
    for (const item of state.items.filter((one) => one.page === Number(page.dataset.page))) {
        const group = there.get(item.id) ?? layer.appendChild(made(item));
        there.delete(item.id);
        drawItem(group, item);
    }
    there.forEach((group) => group.remove());
}

function made(item) {
    const group = element('g', { class: 'item-group', tabindex: '0', role: 'button', 'data-id': item.id });
    group.append(element('rect', { class: 'item' }), element('text', { class: 'item-word' }), element('rect', { class: 'grip' }));
    return group;
}

function drawItem(group, item) {
    const [x, y, width, height] = item.place;
    const classes = [
        'item-group',
        item.id === state.chosen && 'chosen',
        item.mark && `is-mark tone-${tone(item.seat)}`,
        item.required && 'needed',
        (item.binding || item.formula) && 'follows',
    ];
    group.setAttribute('class', classes.filter(Boolean).join(' '));
    group.setAttribute('aria-label', `${words(item)}, page ${item.page}`);
    const [rect, text, grip] = group.children;
    set(rect, { x, y, width, height });
    set(text, { x: x + 1.5, y: y + Math.min(height - 1, 6.5) });
    text.textContent = width < 30 && !item.mark ? '' : words(item).slice(0, Math.max(3, Math.floor(width / 3)));
    set(grip, { x: x + width - 3, y: y + height - 3, width: 6, height: 6 });
}

function drawOrder() {
    const focused = document.activeElement?.closest?.('#order li')?.dataset.id;
    const { items } = state;
    document.querySelector('#count').textContent = items.length === 1 ? '1 blank or mark' : `${items.length} blanks and marks`;
    order.replaceChildren(...items.map(row));
    if (focused) order.querySelector(`[data-id="${focused}"] button`)?.focus({ preventScroll: true });
}

function row(item) {
    const node = Object.assign(document.createElement('li'), { draggable: true, className: item.id === state.chosen ? 'at' : '' });
    node.dataset.id = item.id;
    const button = Object.assign(document.createElement('button'), { type: 'button' });
    button.append(
        Object.assign(document.createElement('span'), { className: 'label', textContent: words(item) }),
        Object.assign(document.createElement('span'), { className: 'value', textContent: `p. ${item.page}` }),
    );
    const says = item.mark ? [] : [
        kindName(item.kind),
        item.binding && `follows ${factName(item.binding)}`,
        item.formula && `= ${item.formula}`,
        item.required && 'must be filled',
    ];
    node.append(button, Object.assign(document.createElement('small'), { textContent: says.filter(Boolean).join(', ') }));
    return node;
}

function bringIntoSight(id, go) {
    const group = document.querySelector(`.item-group[data-id="${id}"]`);
    if (!group) return;
    if (go) {
        group.scrollIntoView({ block: 'center' });
        group.focus({ preventScroll: true });
    }
    const node = order.querySelector(`[data-id="${id}"]`);
    const top = node ? node.offsetTop - order.offsetTop : order.scrollTop;
    if (node && (top < order.scrollTop || top + node.offsetHeight > order.scrollTop + order.clientHeight)) {
        order.scrollTop = top - order.clientHeight / 2;
    }
}

function showFaults() {
    const blocking = state.faults.filter((fault) => fault.blocks).length;
    const fit = document.querySelector('#fit');
    fit.textContent = blocking === 0 ? 'Ready to activate' : blocking === 1 ? '1 thing to fix first' : `${blocking} things to fix first`;
    fit.className = blocking === 0 ? 'ok' : 'hot';
    const button = document.querySelector('#in-force');
    if (button) button.disabled = blocking > 0;
    const list = document.querySelector('#faults');
    list.hidden = state.faults.length === 0;
    list.replaceChildren(...state.faults.slice(0, 12).map((fault) => {
        const node = document.createElement('li');
        const go = Object.assign(document.createElement('button'), {
            type: 'button',
            className: `plain-button${fault.blocks ? '' : ' dim'}`,
            textContent: fault.text,
        });
        go.addEventListener('click', () => fault.item && choose(fault.item, true));
        node.append(go);
        return node;
    }));
}

on('changed', draw);
on('judged', showFaults);
on('told', (says, late) => {
    stored.textContent = says;
    stored.className = late ? 'stored waiting' : 'stored';
});
