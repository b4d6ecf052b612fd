// What is known of the chosen item, beside the page: its kind, name, what it follows; the order of filling; the form itself.

import { back, choose, copy, drop, find, flush, freeName, move, nameFrom, on, placeOf, put, state, store } from './store.js';
import { beside } from './on-the-page.js';

const panel = document.querySelector('#item');
const order = document.querySelector('#order');
const about = document.querySelector('#about');

export const kindName = (kind) => panel.elements.kind.querySelector(`option[value="${kind}"]`)?.textContent.toLowerCase();

export function factName(binding) {
    const [fact, value] = binding.split('?');
    const name = document.querySelector(`#bindings option[value="${CSS.escape(fact)}"]`)?.textContent.toLowerCase() || fact;
    return value ? `${name} is ${value}` : name;
}

/** Puts the cursor where the item is described. */
export function describe(item) {
    (item.mark ? panel.elements.seat : panel.elements.label).focus();
}

export function drawPanel() {
    const item = find(state.chosen);
    panel.hidden = !item;
    document.querySelector('#point').hidden = Boolean(item);
    if (!item) return;
    document.querySelector('#fact-name').textContent = item.binding ? factName(item.binding) : '';
    document.querySelector('#item-head').textContent = item.mark ? 'Mark' : item.label || 'Blank';
    const fields = panel.elements;
    const { seat, label, binding, name, group, formula, when } = item;
    const kind = item.mark ? `mark:${item.kind}` : item.kind;
    const options = item.options.join('\n');
    for (const [field, value] of Object.entries({ kind, seat, label, binding, options, name, group, formula, when })) {
        if (fields[field] !== document.activeElement) fields[field].value = value;
    }
    fields.required.checked = item.required;
    const hide = (selector, hidden) => panel.querySelectorAll(selector).forEach((part) => { part.hidden = hidden; });
    hide('.for-mark', !item.mark);
    hide('.for-blank', item.mark);
    hide('.for-choice', item.mark || item.kind !== 'choice');
    hide('.for-tick', item.kind !== 'tick');
    hide('.for-money', item.kind !== 'money');
    proposals('#groups', state.items.map((one) => one.group));
    proposals('#names', state.items.map((one) => one.name));
}

function proposals(list, values) {
    const options = [...new Set(values)].filter(Boolean).map((value) => Object.assign(document.createElement('option'), { value }));
    document.querySelector(list).replaceChildren(...options);
}

function changed(item, field) {
    if (field.name === 'kind') {
        item.mark = field.value.startsWith('mark:');
        item.kind = field.value.replace('mark:', '');
        if (item.mark) Object.assign(item, { binding: '', formula: '', group: '', when: '', required: false });
        else if (item.name === '') item.name = freeName('blank');
        if (item.kind !== 'tick') item.group = '';
        if (item.kind !== 'money') item.formula = '';
    } else if (field.name === 'required') item.required = field.checked;
    else if (field.name === 'options') item.options = field.value.split('\n').map((one) => one.trim()).filter(Boolean);
    else item[field.name] = field.value.trim();
    return item;
}

panel.addEventListener('change', (event) => {
    const item = copy(find(state.chosen));
    const unnamed = item.name === '' || /^(blank|tick)(_\d+)?$/.test(item.name);
    changed(item, event.target);
    if (event.target.name === 'label' && unnamed && item.label) item.name = nameFrom(item.label);
    put(item);
});
panel.addEventListener('submit', (event) => event.preventDefault());
panel.addEventListener('keydown', (event) => {
    if (event.key === 'Enter' && event.target.tagName !== 'TEXTAREA' && event.target.tagName !== 'BUTTON') {
        event.preventDefault();
        event.target.blur();
        const next = state.items[placeOf(state.chosen) + 1];
        if (next) choose(next.id, true);
    } else if (event.key === 'Escape') {
        document.querySelector(`.item-group[data-id="${state.chosen}"]`)?.focus();
    }
});
document.querySelector('#again').addEventListener('click', () => beside(find(state.chosen)));
document.querySelector('#drop').addEventListener('click', () => drop(state.chosen));
document.querySelector('#reading-order').addEventListener('click', () => { flush(); store({ do: 'order' }); });
document.querySelector('#undo').addEventListener('click', back);

// The order of filling

function reorder(id, to) {
    if (move(id, to)) order.querySelector(`[data-id="${id}"] button`)?.focus();
}

order.addEventListener('click', (event) => {
    const id = event.target.closest('li')?.dataset.id;
    if (id) choose(id, true);
});
order.addEventListener('keydown', (event) => {
    const row = event.target.closest('li');
    if (!row || !event.altKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return;
    event.preventDefault();
    reorder(row.dataset.id, placeOf(row.dataset.id) + (event.key === 'ArrowUp' ? -1 : 1));
});
let dragged = null;
order.addEventListener('dragstart', (event) => {
    dragged = event.target.closest('li')?.dataset.id;
    event.dataTransfer.effectAllowed = 'move';
});
order.addEventListener('dragover', (event) => event.preventDefault());
order.addEventListener('drop', (event) => {
    event.preventDefault();
    const onto = event.target.closest('li')?.dataset.id;
    if (dragged && onto) reorder(dragged, placeOf(onto));
});

// The form itself

about.addEventListener('change', () => store({ do: 'about', ...Object.fromEntries(new FormData(about)) }));
about.addEventListener('submit', (event) => event.preventDefault());
on('named', ({ do: _, ...names }) => {
    for (const [name, value] of Object.entries(names)) if (about.elements[name]) about.elements[name].value = value;
});
on('refused', (change) => {
    if (change.do === 'about') document.querySelector('.about').open = true;
});
