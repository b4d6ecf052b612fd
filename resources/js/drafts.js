// Fields of the file and of forms: what is typed is on the device while it is typed, and stays there until it is stored.
// After a crash, a closed tab, a refusal or a lost connection it is back in its field.
import { shelfOf } from './shelf.js';

const shelf = shelfOf(`fields:${location.pathname}`);
// Forms that are sent as a whole keep their longer texts; those marked so keep every field.
const sentWhole = (form, field) => form?.matches('form[data-keeps]') || (form?.method === 'post' && field?.tagName === 'TEXTAREA');
const kept = (field) => field.matches?.('input:not([type]), input[type=text], input[type=email], input[type=tel], textarea, select') && (field.closest('[hx-put]') || sentWhole(field.form, field)) && field.name && !field.readOnly;

function nameOf(field) {
    return field.id || `${(field.closest('[hx-put]') ?? field.form).getAttribute('hx-put') ?? field.form.getAttribute('action')}#${field.name}`;
}

function labelOf(field) {
    return (field.labels?.[0]?.textContent || field.getAttribute('aria-label') || field.placeholder || field.name).trim().replace(/\s+/g, ' ').slice(0, 80);
}

const standing = () => shelf.all();

// The request that would store the field, as it stands: known for fields that are stored by themselves.
function request(field) {
    const holder = field.closest('[hx-put]');
    if (!holder) return {};
    const parameters = holder === field ? { [field.name]: field.value, ...JSON.parse(field.getAttribute('hx-vals') || '{}'), seen: field.dataset.before ?? field.dataset.stands ?? field.defaultValue ?? '' } : Object.fromEntries(new FormData(holder));
    return { verb: 'PUT', url: holder.getAttribute('hx-put'), what: parameters };
}

function keep(field, refused = undefined) {
    const name = nameOf(field);
    const key = `f${[...name].reduce((sum, letter) => (sum * 31 + letter.charCodeAt(0)) >>> 0, 7).toString(36)}`;
    shelf.drop(key);
    if (!refused && field.value === (field.dataset.before ?? field.dataset.stands ?? field.defaultValue) && !field.matches('select')) return;
    shelf.add({ key, draft: true, field: name, value: field.value, says: `${labelOf(field)}: “${field.value.length > 60 ? `${field.value.slice(0, 60)}…` : field.value}”`, ...request(field), ...(refused ? { refused } : {}) });
}

function stored(field) {
    standing().filter((one) => one.field === nameOf(field)).forEach((one) => shelf.drop(one.key));
}

document.addEventListener('input', (event) => kept(event.target) && !event.target.matches('select') && keep(event.target));

// Fields that are stored by themselves
function fieldsOf(element) {
    return [element, ...element.querySelectorAll('input, textarea, select')].filter(kept);
}
document.body.addEventListener('htmx:afterRequest', (event) => {
    const holder = event.detail.elt.closest?.('[hx-put]');
    if (!holder) return;
    const fault = JSON.parse(event.detail.xhr.getResponseHeader('HX-Trigger') || '{}').stored?.fault;
    if (event.detail.successful && !fault) return fieldsOf(holder).forEach(stored);
    let words = fault;
    try {
        words = words || (event.detail.xhr.status < 500 && JSON.parse(event.detail.xhr.responseText).message) || undefined;
    } catch { /* the answer was a page, or none */ }
    fieldsOf(holder).forEach((field) => keep(field, words));
});

// Forms that are sent as a whole: they are let go once a page came back that says no fault.
document.addEventListener('submit', (event) => {
    if (event.target.method !== 'post') return;
    for (const field of event.target.querySelectorAll('input, textarea, select')) {
        standing().filter((one) => kept(field) && one.field === nameOf(field)).forEach((one) => { shelf.drop(one.key); shelf.add({ ...one, sent: true }); });
    }
});

function bringBack() {
    const back = performance.getEntriesByType('navigation')[0]?.type === 'back_forward';
    const failed = document.querySelector('main [role=alert]:not([hidden])') !== null;
    for (const one of standing()) {
        const field = [...document.querySelectorAll('input, textarea, select')].find((candidate) => kept(candidate) && nameOf(candidate) === one.field);
        if (one.sent && !back && !failed) {
            shelf.drop(one.key);
            continue;
        }
        if (!field || field.value === one.value) {
            if (field && field.closest('[hx-put]')) shelf.drop(one.key);
            continue;
        }
        field.value = one.value;
        if (one.refused) field.setAttribute('aria-invalid', 'true');
        // It goes out like anything typed: when the field is left.
        else if (field.closest('[hx-put]')) field.addEventListener('blur', () => field.value !== field.dataset.stands && field.dispatchEvent(new Event('change', { bubbles: true })), { once: true });
    }
}
bringBack();
