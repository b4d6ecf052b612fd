// The sorting table: each step is sent as it is done, and the table that comes back is how it stands. Steps wait for one
// another; what the server refuses is told by the table itself.

import { proof } from './proof.js';
import { tell } from './tell.js';

const place = document.querySelector('#sorting');
const chosen = new Set();
let last = null;
let dragged = [];
let line = Promise.resolve();
let under = 0;

const table = () => place.querySelector('#table');
const sheets = () => [...place.querySelectorAll('[data-page]')];
const sheet = (id) => place.querySelector(`[data-page="${CSS.escape(id)}"]`);

// The table that came takes the place of the old one; pictures that are there already stay, and so does where one is.
function show(html) {
    const came = document.createElement('template');
    came.innerHTML = html.trim();
    const next = came.content.firstElementChild;
    if (next?.id !== 'table') return;
    const was = document.activeElement;
    const held = was?.dataset?.page;
    const field = was?.matches?.('input[data-do]') ? [was.closest('[data-part]')?.dataset.part ?? '', was.dataset.do] : null;
    const spot = was?.matches?.('[data-do]') && !field ? [was.dataset.do, was.dataset.to ?? ''] : null;
    next.querySelectorAll('[data-page] img').forEach((image) => {
        const old = sheet(image.closest('[data-page]').dataset.page)?.querySelector('img');
        if (old) image.replaceWith(old);
    });
    next.style.setProperty('--sheet', table().style.getPropertyValue('--sheet') || '110px');
    next.querySelector('[data-size]')?.setAttribute('value', parseInt(table().style.getPropertyValue('--sheet'), 10) || 110);
    table().replaceWith(next);
    [...chosen].filter((id) => !sheet(id)).forEach((id) => chosen.delete(id));
    mark();
    if (held && sheet(held)) go(sheet(held));
    if (field) {
        const again = place.querySelector(field[0] === '' ? 'input[data-all]' : `[data-part="${CSS.escape(field[0])}"] input[data-do="${field[1]}"]`);
        again?.focus({ preventScroll: true });
    } else if (spot) {
        place.querySelector(`button[data-do="${spot[0]}"]${spot[1] ? `[data-to="${CSS.escape(spot[1])}"]` : ''}:not(:disabled)`)?.focus({ preventScroll: true });
    }
}

function mark() {
    sheets().forEach((one) => one.setAttribute('aria-pressed', chosen.has(one.dataset.page)));
}

function go(to) {
    sheets().forEach((one) => { one.tabIndex = one === to ? 0 : -1; });
    to.focus({ preventScroll: true });
    to.scrollIntoView({ block: 'nearest' });
    last = to.dataset.page;
}

function step(what) {
    under++;
    line = line.then(async () => {
        const body = new URLSearchParams({ seen: table().dataset.step, do: what.do });
        (what.pages ?? []).forEach((id) => body.append('pages[]', id));
        ['to', 'value', 'degrees'].forEach((name) => what[name] === undefined || body.set(name, what[name]));
        try {
            const answer = await fetch(`${place.dataset.at}/steps`, { method: 'POST', headers: { Accept: 'text/html', ...proof() }, body });
            if (answer.ok || answer.status === 409) show(await answer.text());
            else tell('This step was not kept. Reload the page and try again.');
        } catch {
            tell('There is no connection. This step was not kept; try it again.');
        }
    }).finally(() => { under--; });
    return line;
}

// The pages a step is about: those selected, or the one the keyboard is on.
function about() {
    const ids = sheets().map((one) => one.dataset.page).filter((id) => chosen.has(id));
    return ids.length > 0 ? ids : last && sheet(last) ? [last] : [];
}

function act(name, to, value) {
    const pages = about();
    const needs = ['turn', 'aside', 'move', 'straighten', 'back'].includes(name);
    if (needs && pages.length === 0) {
        tell('Select a page first: click it, or move to it with the arrow keys.');
        return;
    }
    step({ do: name, pages: needs ? pages : undefined, to, value, degrees: name === 'turn' ? 90 : undefined });
    if (needs && name !== 'turn') chosen.clear();
}

function choose(one, event) {
    const id = one.dataset.page;
    if (event.shiftKey && last) {
        const all = sheets().map((each) => each.dataset.page);
        const [from, until] = [all.indexOf(last), all.indexOf(id)].sort((a, b) => a - b);
        all.slice(Math.max(0, from), until + 1).forEach((each) => chosen.add(each));
    } else if (!chosen.delete(id)) {
        chosen.add(id);
    }
    mark();
    go(one);
}

function large(one) {
    const dialog = document.querySelector('#page-large');
    const image = dialog.querySelector('img');
    const [stack, page] = one.dataset.page.split('.');
    image.src = `${place.dataset.at}/${stack}/pages/${page}.webp`;
    image.dataset.turn = one.querySelector('.table-page-in').dataset.turn;
    image.alt = one.getAttribute('aria-label');
    dialog.dataset.page = one.dataset.page;
    if (!dialog.open) dialog.showModal();
}

// As in any list: arrows alone go on without what was selected, with Shift they select, with Ctrl they leave it as it is.
function walk(key, shift, holds, from) {
    const all = sheets();
    const at = all.indexOf(from);
    let to = all[at + ({ ArrowLeft: -1, ArrowRight: 1 }[key] ?? 0)];
    if (key === 'Home' || key === 'End') to = all[key === 'Home' ? 0 : all.length - 1];
    if (key === 'ArrowUp' || key === 'ArrowDown') {
        const here = from.getBoundingClientRect();
        const rows = all.filter((one) => (key === 'ArrowDown' ? one.getBoundingClientRect().top > here.bottom - 4 : one.getBoundingClientRect().bottom < here.top + 4));
        const far = (one) => Math.abs(one.getBoundingClientRect().top - here.top) * 10 + Math.abs(one.getBoundingClientRect().left - here.left);
        to = rows.sort((a, b) => far(a) - far(b))[0];
    }
    if (!to) return;
    if (shift) {
        chosen.add(from.dataset.page);
        chosen.add(to.dataset.page);
    } else if (!holds) {
        chosen.clear();
    }
    mark();
    go(to);
}

// One place further, over the border of a paper too.
function shift(by, one) {
    const pages = about();
    const all = sheets().filter((each) => !each.closest('[data-aside]')).map((each) => each.dataset.page);
    const rest = all.filter((id) => !pages.includes(id));
    const at = rest.filter((id) => all.indexOf(id) < all.indexOf(pages[0])).length + by;
    const part = one.closest('[data-part]')?.dataset.part;
    const before = rest[at];
    if (at < 0 || !part) return;
    const beyond = before && sheet(before).closest('[data-part]').dataset.part !== part && by > 0 && rest[at - 1] && sheet(rest[at - 1]).closest('[data-part]').dataset.part === part;
    step({ do: 'move', pages, to: before === undefined || beyond ? part : before });
}

const KEYS = { r: ['turn'], x: ['aside'], Delete: ['aside'], m: ['move', 'new'], s: ['straighten'], b: ['back'], u: ['undo'], a: ['take-sure'] };

place?.addEventListener('keydown', (event) => {
    if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z' && !event.target.matches('input')) {
        event.preventDefault();
        if (!event.repeat) act(event.shiftKey ? 'redo' : 'undo');
        return;
    }
    const one = event.target.closest('[data-page]');
    const arrow = event.key.startsWith('Arrow') || event.key === 'Home' || event.key === 'End';
    const holds = event.ctrlKey || event.metaKey;
    if (!one || (holds && !arrow && event.key !== ' ')) return;
    last = one.dataset.page;
    if (arrow && event.altKey) {
        if (!event.repeat && (event.key === 'ArrowLeft' || event.key === 'ArrowRight')) shift(event.key === 'ArrowLeft' ? -1 : 1, one);
    } else if (arrow) {
        walk(event.key, event.shiftKey, holds, one);
    } else if (event.altKey) {
        return;
    } else if (event.key === ' ') {
        if (!event.repeat) choose(one, event);
    } else if (event.key === 'Enter') {
        if (!event.repeat) large(one);
    } else if (event.key === 'c') {
        if (!event.repeat) step({ do: 'cut', to: one.dataset.page });
    } else if (KEYS[event.key]) {
        if (!event.repeat) act(...KEYS[event.key]);
    } else {
        return;
    }
    event.preventDefault();
    event.stopPropagation();
});

// Where one has just come, no page has the keyboard yet: the keys that are shown work all the same, and an arrow begins.
let goes = 0;
place && document.addEventListener('keydown', (event) => {
    // "g" and a letter go to another page.
    const isGoing = Date.now() - goes < 1200;
    goes = event.key === 'g' ? Date.now() : 0;
    if (isGoing) return;
    const holds = event.repeat || event.ctrlKey || event.metaKey || event.altKey || document.body.dataset.keys === 'off';
    if (event.target !== document.body || holds) return;
    const begin = (last && sheet(last)) || sheets()[0];
    if (event.key.startsWith('Arrow') && begin) {
        event.preventDefault();
        begin.focus();
    } else if (KEYS[event.key]) {
        event.preventDefault();
        act(...KEYS[event.key]);
    }
});

place?.addEventListener('click', (event) => {
    const one = event.target.closest('[data-page]');
    if (one) {
        if (event.detail > 0) choose(one, event);
        return;
    }
    const button = event.target.closest('button[data-do]');
    if (!button || event.detail > 1) return;
    if (button.dataset.whole !== undefined) {
        step({ do: button.dataset.do, pages: [...button.closest('[data-part]').querySelectorAll('[data-page]')].map((one) => one.dataset.page) });
    } else {
        act(button.dataset.do, button.dataset.to, button.dataset.value);
    }
});
place?.addEventListener('dblclick', (event) => event.target.closest('[data-page]') && large(event.target.closest('[data-page]')));
place?.addEventListener('change', (event) => {
    const field = event.target.closest('input[data-do], select[data-do]');
    if (field) step({ do: field.dataset.do, to: field.closest('[data-part]')?.dataset.part ?? '', value: field.value });
});
place?.addEventListener('input', (event) => {
    if (event.target.matches('[data-size]')) table().style.setProperty('--sheet', `${event.target.value}px`);
});
place?.addEventListener('submit', (event) => {
    if (under === 0) return;
    // What was typed last is still on its way: filed once it is kept.
    event.preventDefault();
    line.then(() => place.querySelector('.sorting-end')?.requestSubmit());
});

place?.addEventListener('dragstart', (event) => {
    const one = event.target.closest('[data-page]');
    if (!one) return;
    dragged = chosen.has(one.dataset.page) ? about() : [one.dataset.page];
    event.dataTransfer.effectAllowed = 'move';
    event.dataTransfer.setData('text/plain', `${dragged.length}`);
});
place?.addEventListener('dragover', (event) => {
    if (dragged.length === 0 || !event.target.closest('[data-part], [data-aside]')) return;
    event.preventDefault();
    place.querySelectorAll('.over').forEach((old) => old.classList.remove('over'));
    event.target.closest('li[data-before]')?.classList.add('over');
});
place?.addEventListener('dragend', () => {
    dragged = [];
    place.querySelectorAll('.over').forEach((old) => old.classList.remove('over'));
});
place?.addEventListener('drop', (event) => {
    if (dragged.length === 0) return;
    event.preventDefault();
    const before = event.target.closest('li[data-before]');
    const box = before?.getBoundingClientRect();
    const behind = before && event.clientX > box.left + box.width * 0.6;
    const to = behind ? before.nextElementSibling?.dataset.before ?? before.closest('[data-part]').dataset.part : before?.dataset.before;
    const part = event.target.closest('[data-part]')?.dataset.part;
    if (event.target.closest('[data-aside]')) step({ do: 'aside', pages: dragged });
    else if (to ?? part) step({ do: 'move', pages: dragged, to: to ?? part });
    dragged = [];
    chosen.clear();
});

document.querySelector('#page-large')?.addEventListener('keydown', (event) => {
    const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    const all = sheets();
    const next = by && all[all.findIndex((one) => one.dataset.page === event.currentTarget.dataset.page) + by];
    if (!next) return;
    event.preventDefault();
    large(next);
    go(next);
});

// While pages are being read, what is found shows up by itself, but never under a hand that is at work.
async function look() {
    if (table().dataset.reading === undefined) return;
    const typing = document.activeElement?.matches?.('#sorting input:not([type=range]), #sorting select');
    if (under === 0 && dragged.length === 0 && !typing) {
        try {
            const answer = await fetch(`${place.dataset.at}/table`, { headers: { Accept: 'text/html' } });
            if (answer.ok && under === 0) show(await answer.text());
        } catch { /* asked again soon */ }
    }
    setTimeout(look, 2500);
}
if (place) setTimeout(look, 1500);
