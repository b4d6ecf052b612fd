// Fields of the file and of forms: what is typed is on the device while it is typed, and stays there until it is saved.
// After a crash, a closed tab, a refusal or a lost connection it is back in its field.
import { standsIn } from './fields.js';
import { shelfOf } from './shelf.js';

const SENT = 'unanimus:sent';
const TYPED = 'input:not([type]), input[type=text], input[type=email], input[type=tel], textarea, select';
const shelf = shelfOf(`fields:${location.pathname}`);

// Fields that are saved by themselves, the longer texts of forms that are sent as a whole, and every field of those marked so.
function isKept(field) {
    if (!field.matches?.(TYPED) || !field.name || field.readOnly) return false;
    return field.closest('[hx-put], form[data-keeps]') !== null || (field.form?.method === 'post' && field.tagName === 'TEXTAREA');
}

function nameOf(field) {
    const form = field.closest('[hx-put]') ?? field.form;
    return field.id || `${form.getAttribute('hx-put') ?? form.getAttribute('action')}#${field.name}`;
}

function keyOf(field) {
    return `f${[...nameOf(field)].reduce((sum, letter) => (sum * 31 + letter.charCodeAt(0)) >>> 0, 7).toString(36)}`;
}

function labelOf(field) {
    return (field.labels?.[0]?.textContent || field.getAttribute('aria-label') || field.placeholder || field.name).trim().replace(/\s+/g, ' ').slice(0, 80);
}

// The request that saves this one field, for fields that are saved by themselves.
function request(field, seen) {
    const holder = field.closest('[hx-put]');
    if (!holder) return {};
    const what = { [field.name]: field.value };
    if (holder === field) Object.assign(what, JSON.parse(field.getAttribute('hx-vals') || '{}'), { seen });
    else if (field.id) what[`stood[${field.name}]`] = seen;
    return { verb: 'PUT', url: holder.getAttribute('hx-put'), what };
}

function keep(field, seen, refused) {
    const key = keyOf(field);
    const shown = field.value.length > 60 ? `${field.value.slice(0, 60)}…` : field.value;
    shelf.drop(key);
    shelf.add({ key, draft: true, field: nameOf(field), value: field.value, says: `${labelOf(field)}: “${shown}”`, ...request(field, seen), ...(refused ? { refused } : {}) });
}

document.addEventListener('input', (event) => {
    const field = event.target;
    if (!isKept(field)) return;
    if (field.value === standsIn(field)) shelf.drop(keyOf(field));
    else keep(field, standsIn(field));
});

// Fields that are saved by themselves: only what went out is kept or let go of.
document.body.addEventListener('htmx:afterRequest', (event) => {
    const holder = event.detail.elt;
    if (!holder.matches?.('[hx-put]')) return;
    const sent = (holder.matches('form') ? holder.sent ?? [] : [{ field: holder, before: holder.dataset.before ?? standsIn(holder) }]).filter((one) => isKept(one.field));
    const fault = JSON.parse(event.detail.xhr.getResponseHeader('HX-Trigger') || '{}').stored?.fault;
    if (event.detail.successful && !fault) return sent.forEach((one) => shelf.drop(keyOf(one.field)));
    let words = fault;
    try {
        words = words || (event.detail.xhr.status < 500 && JSON.parse(event.detail.xhr.responseText).message) || undefined;
    } catch { /* the answer was a page, or none */ }
    sent.forEach((one) => keep(one.field, one.before, words));
});

// Fields of a form that were saved on their own.
document.addEventListener('saved-fields', (event) => {
    [...event.target.elements].filter((field) => isKept(field) && event.detail.includes(field.name)).forEach((field) => {
        field.dataset.stands = field.value;
        shelf.drop(keyOf(field));
    });
});

// Forms that are sent as a whole: what they held is let go of once the answer to them is a page that says no fault. The
// answer to a form that was taken is always a redirect; without one, as after a lost connection, it stays.
document.addEventListener('submit', (event) => {
    if (event.target.method !== 'post') return;
    const keys = [...event.target.elements].filter(isKept).map(keyOf);
    try {
        sessionStorage.setItem(SENT, JSON.stringify({ shelf: location.pathname, keys }));
    } catch { /* then it stays until it is discarded */ }
});

function confirmSent() {
    let sent = null;
    try {
        sent = JSON.parse(sessionStorage.getItem(SENT) ?? 'null');
        sessionStorage.removeItem(SENT);
    } catch { /* nothing was noted */ }
    const arrived = performance.getEntriesByType('navigation')[0];
    if (!sent || !arrived || arrived.redirectCount === 0 || document.querySelector('main .say.no:not([hidden]), #wrong')) return;
    const from = shelfOf(`fields:${sent.shelf}`);
    sent.keys.forEach((key) => from.drop(key));
}

function bringBack() {
    const fields = [...document.querySelectorAll('input, textarea, select')].filter(isKept);
    for (const one of shelf.all()) {
        const field = fields.find((candidate) => nameOf(candidate) === one.field);
        if (!field) continue;
        if (field.value === one.value && field.closest('[hx-put]')) {
            shelf.drop(one.key);
            continue;
        }
        field.value = one.value;
        if (one.refused) {
            const fault = document.getElementById(`fault-${field.id.replace(/^fact-/, '')}`);
            field.setAttribute('aria-invalid', 'true');
            if (fault) Object.assign(fault, { textContent: one.refused, hidden: false });
        } else if (field.closest('[hx-put]')) {
            // It goes out like anything typed: when the field is left.
            field.addEventListener('blur', () => field.value !== standsIn(field) && field.dispatchEvent(new Event('change', { bubbles: true })), { once: true });
        }
    }
}
confirmSent();
bringBack();
