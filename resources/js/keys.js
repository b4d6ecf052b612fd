// Work by keyboard. A key that is held down acts once; what cannot be undone is asked once more where the page has only just
// come, as the key may have been meant for the page before. Single keys can be turned off (WCAG 2.1.4).

import { tell } from './tell.js';

// Milliseconds after which a person may have looked at a page.
const LOOKED_AT = 1200;

const off = document.body.dataset.keys === 'off';
const typing = (target) => target.closest?.('input:not([type=checkbox]), textarea, select, [contenteditable]');
const places = { t: '/', f: '/files', r: '/review', c: '/commission', o: '/office' };
let went = 0;
let arrived = performance.now();
let warned = null;

window.addEventListener('pageshow', () => { arrived = performance.now(); });

// The rows that a list shows now, and the one the keyboard is on.
const rows = () => [...document.querySelectorAll('[data-row]')].filter((row) => row.offsetParent !== null);

function walk(event) {
    const all = rows();
    if (all.length === 0 || event.target.closest?.('button, a, summary')) return false;
    const now = all.findIndex((row) => row.matches('[data-row=on]'));
    if (event.key === 'j' || event.key === 'k') {
        const next = all[Math.min(all.length - 1, Math.max(0, now + (event.key === 'j' ? 1 : -1)))];
        all[now]?.setAttribute('data-row', '');
        next.setAttribute('data-row', 'on');
        next.tabIndex = -1;
        next.focus({ preventScroll: true });
        next.scrollIntoView({ block: 'nearest' });
        return true;
    }
    const found = event.repeat ? null : all[now]?.querySelector({ ' ': 'input[type=checkbox]', Enter: '[data-open]', '.': '[data-next]' }[event.key]);
    found?.click();
    return Boolean(found);
}

function press(event) {
    const found = document.querySelector(`[data-press="${CSS.escape(event.key)}"]`);
    if (!found || event.repeat) return false;
    if (found.matches('input, textarea, select')) {
        found.focus();
    } else if (found.dataset.weighs !== undefined && performance.now() - arrived < LOOKED_AT && warned !== event.key) {
        warned = event.key;
        tell(`This is a new page. To ${found.dataset.weighs}, press ${event.key} again.`);
    } else {
        found.click();
    }
    return true;
}

document.addEventListener('keydown', (event) => {
    if (off && event.key.length === 1 && !event.ctrlKey && !event.metaKey) return;
    if (event.ctrlKey || event.metaKey || event.altKey || typing(event.target)) return;
    if (went && Date.now() - went < 1200 && places[event.key] && !event.repeat) {
        went = 0;
        location.href = places[event.key];
        return;
    }
    went = event.key === 'g' ? Date.now() : 0;
    let done = false;
    if (event.key === '/') {
        document.querySelector('#find')?.focus();
        done = true;
    } else if (event.key === 'n' && !event.repeat) {
        document.querySelector('[data-key=n]')?.click();
    } else if (event.key === '?') {
        document.querySelector('#keys')?.showModal?.();
    } else if (['j', 'k', ' ', 'Enter', '.'].includes(event.key) && rows().length > 0) {
        done = walk(event);
    } else {
        done = press(event);
    }
    if (done) event.preventDefault();
});

// What is sent with Ctrl and Enter is never sent by a key that does something else on the page before.
document.addEventListener('keydown', (event) => {
    if (event.key === 'Enter' && (event.ctrlKey || event.metaKey) && !event.repeat) document.querySelector('[data-ctrl-enter]')?.click();
});

// Menus close on Escape and when one clicks elsewhere.
document.addEventListener('keydown', (event) => {
    const open = event.key === 'Escape' ? document.querySelector('details.menu-at[open]') : null;
    if (!open) return;
    open.open = false;
    open.querySelector('summary').focus();
});
document.addEventListener('click', (event) => document.querySelectorAll('details.menu-at[open]').forEach((menu) => {
    if (!menu.contains(event.target)) menu.open = false;
}));
