import htmx from 'htmx.org';
import './deal-line.js';
import './drafts.js';
import { changedIn, standsIn } from './fields.js';
import './held.js';
import './pages.js';
import { proof } from './proof.js';
import { signInAgain } from './resume.js';

htmx.config.includeIndicatorStyles = false;
htmx.config.allowEval = false;
htmx.config.defaultSwapStyle = 'outerHTML';

const typing = (target) => target.closest('input:not([type=checkbox]), textarea, select, [contenteditable]');
let went = 0;

document.addEventListener('keydown', (event) => {
    if (event.ctrlKey || event.metaKey || event.altKey || typing(event.target)) return;
    const places = { t: '/', f: '/files', r: '/review', c: '/commission', o: '/office' };
    if (went && Date.now() - went < 1200 && places[event.key]) {
        went = 0;
        location.href = places[event.key];
        return;
    }
    went = event.key === 'g' ? Date.now() : 0;
    if (event.key === '/') {
        const field = document.querySelector('.bar .find input');
        if (field) {
            event.preventDefault();
            field.focus();
        }
    } else if (event.key === 'n') {
        document.querySelector('[data-key=n]')?.click();
    } else if (event.key === '?') {
        document.querySelector('#keys')?.showModal?.();
    } else if (['j', 'k', ' ', 'Enter', '.'].includes(event.key)) {
        walkRows(event);
    } else {
        document.querySelector(`[data-press="${CSS.escape(event.key)}"]`)?.click();
    }
});

// Lists by keyboard: j and k move, space takes, Enter opens, a point does the row's next action.
function walkRows(event) {
    const rows = [...document.querySelectorAll('[data-row]')];
    if (rows.length === 0 || event.target.closest('button, a, summary')) return;
    const now = rows.findIndex((row) => row.matches('[data-row=on]'));
    const on = rows[now];
    if (event.key === 'j' || event.key === 'k') {
        const next = rows[Math.min(rows.length - 1, Math.max(0, now + (event.key === 'j' ? 1 : -1)))];
        on?.setAttribute('data-row', '');
        next.setAttribute('data-row', 'on');
        next.scrollIntoView({ block: 'nearest' });
    } else if (on) {
        const wanted = { ' ': 'input[type=checkbox]', Enter: '[data-open]', '.': '[data-next]' }[event.key];
        const found = on.querySelector(wanted);
        if (found) {
            event.preventDefault();
            found.click();
        }
    }
}

// What the search field may go on with: arrow down into the list, Enter takes, Escape closes.
document.addEventListener('click', (event) => {
    const one = event.target.closest?.('[data-complete]');
    if (!one) return;
    const field = document.querySelector('#find');
    field.value = one.dataset.complete;
    field.focus();
    htmx.trigger(field, 'input');
});
document.querySelector('.bar .find')?.addEventListener('keydown', (event) => {
    const all = [document.querySelector('#find'), ...document.querySelectorAll('#completions a, #completions button')];
    const now = all.indexOf(document.activeElement);
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (step && now >= 0) {
        event.preventDefault();
        all[Math.min(all.length - 1, Math.max(0, now + step))].focus();
    } else if (event.key === 'Escape') {
        document.querySelector('#completions').replaceChildren();
        all[0].blur();
    }
});

// A form that is sent once is not sent again by a second click.
document.addEventListener('submit', (event) => {
    const form = event.target;
    if (form.method === 'dialog' || event.defaultPrevented) return;
    if (form.dataset.sent && !form.hasAttribute('data-again')) {
        event.preventDefault();
        return;
    }
    form.dataset.sent = '1';
    setTimeout(() => delete form.dataset.sent, 4000);
});
window.addEventListener('pageshow', () => document.querySelectorAll('form[data-sent]').forEach((form) => delete form.dataset.sent));

// A field that is left after a change is stored; Enter does not send the whole sheet.
document.addEventListener('keydown', (event) => {
    if (event.key === 'Enter' && event.target.matches('[hx-put]')) {
        event.preventDefault();
        event.target.blur();
    }
});

// Fields are never swapped: how they stand after storing comes along with what follows from it.
document.body.addEventListener('stored', (event) => {
    const { about, fault, fields } = event.detail;
    const place = document.getElementById(`fault-${about}`);
    if (place) {
        place.textContent = fault || '';
        place.hidden = !fault;
    }
    for (const [id, shown] of Object.entries(fields)) {
        const field = document.getElementById(id);
        // The field one is in is left alone once something was typed there.
        const untouched = field && field.value === standsIn(field);
        if (!field) continue;
        field.dataset.stands = shown;
        if (fault) continue;
        if (field !== document.activeElement || untouched) {
            field.value = shown;
            field.removeAttribute('aria-invalid');
        }
    }
    if (fault) event.target.setAttribute('aria-invalid', 'true');
});
// What a field showed when it was typed into goes along: nobody's newer entry is overwritten unseen. Of a form only what was
// changed on this page goes out, so that what others have changed beside it stays theirs.
document.body.addEventListener('htmx:configRequest', (event) => {
    const { elt, headers, parameters, verb } = event.detail;
    Object.assign(headers, proof());
    if (verb !== 'put') return;
    if (elt.matches('form')) {
        elt.sent = changedIn(elt);
        elt.querySelectorAll('input:not([type=hidden], [type=checkbox]), select, textarea').forEach((field) => elt.sent.some((one) => one.field === field) || delete parameters[field.name]);
        elt.sent.filter((one) => one.field.id).forEach((one) => { parameters[`stood[${one.field.name}]`] = one.before; });
    } else if (elt.matches('input, select, textarea')) {
        elt.dataset.before = standsIn(elt);
        parameters.seen = elt.dataset.before;
        elt.dataset.stands = elt.value;
    }
});
document.body.addEventListener('htmx:afterRequest', (event) => {
    const { elt, successful, xhr } = event.detail;
    const fault = JSON.parse(xhr?.getResponseHeader?.('HX-Trigger') || '{}').stored?.fault;
    if (elt.sent && successful && !fault) elt.sent.filter((one) => standsIn(one.field) === one.before).forEach((one) => { one.field.dataset.stands = one.value; });
    if (!successful && elt.dataset?.before !== undefined) elt.dataset.stands = elt.dataset.before;
});
document.body.addEventListener('htmx:responseError', async (event) => {
    if ([401, 419].includes(event.detail.xhr.status)) {
        const { elt, requestConfig } = event.detail;
        if (await signInAgain()) htmx.ajax(requestConfig.verb, requestConfig.path, { source: elt, values: requestConfig.parameters, target: event.detail.target });
        return;
    }
    let text = 'That was not saved. What you typed is still in the field. Try again.';
    try {
        text = JSON.parse(event.detail.xhr.responseText).message || text;
    } catch {
        /* the answer was a page */
    }
    tell(text);
});
document.body.addEventListener('htmx:sendError', () => tell('There is no connection. What you typed is still in the field. Leave the field again when you are back online.'));

export function tell(text) {
    const place = document.querySelector('#said');
    if (place) {
        place.textContent = text;
        place.hidden = false;
    }
}

document.querySelectorAll('[data-sends]').forEach((select) => select.addEventListener('change', () => select.form.submit()));
document.querySelectorAll('[data-print]').forEach((button) => button.addEventListener('click', () => window.print()));
document.querySelectorAll('[data-opens]').forEach((button) => button.addEventListener('click', () => document.querySelector(button.dataset.opens)?.showModal?.()));
document.querySelectorAll('[data-file-form]').forEach((input) => input.addEventListener('change', () => input.form.requestSubmit()));

// Remarks are pinned where the page was clicked.
document.querySelectorAll('[data-pin-page]').forEach((page) => page.addEventListener('click', (event) => {
    const form = document.querySelector('#send-back');
    if (!form) return;
    const svg = page.querySelector('svg');
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM().inverse());
    form.elements.page.value = page.dataset.pinPage;
    form.elements.x.value = point.x.toFixed(1);
    form.elements.y.value = point.y.toFixed(1);
    document.querySelector('#pinned').textContent = `Pinned to page ${page.dataset.pinPage}.`;
    svg.querySelectorAll('.pin.new').forEach((pin) => pin.remove());
    const pin = document.createElementNS('http://www.w3.org/2000/svg', 'g');
    pin.setAttribute('class', 'pin new');
    pin.innerHTML = `<circle cx="${point.x}" cy="${point.y}" r="7"/>`;
    document.querySelectorAll('.pin.new').forEach((old) => old.remove());
    svg.append(pin);
    form.elements.remark.focus();
}));

// Papers taken on the board go into one form, in the order in which they were taken; the number beside each says so.
let taken = [];
function takes() {
    for (const box of document.querySelectorAll('input[name="take"]')) {
        const at = taken.indexOf(box.value);
        if (box.checked && at < 0) taken.push(box.value);
        if (!box.checked && at >= 0) taken.splice(at, 1);
    }
    for (const box of document.querySelectorAll('input[name="take"]')) {
        box.nextElementSibling.textContent = taken.length > 1 && box.checked ? taken.indexOf(box.value) + 1 : '';
    }
}
document.addEventListener('change', (event) => event.target.matches('input[name="take"]') && takes());
document.querySelector('#all-papers')?.addEventListener('change', (event) => {
    document.querySelectorAll('input[name="take"]:not(:disabled)').forEach((box) => { box.checked = event.target.checked; });
    takes();
});
document.querySelector('[data-take-all]')?.addEventListener('change', (event) => {
    event.target.form.querySelectorAll('td.take input').forEach((box) => { box.checked = event.target.checked; });
});
document.querySelectorAll('[data-with-taken]').forEach((button) => button.addEventListener('click', (event) => {
    takes();
    if (taken.length === 0) {
        event.preventDefault();
        tell('Select at least one paper first: check its box, or press space on its row.');
        return;
    }
    button.form.querySelectorAll('input[name="papers[]"]').forEach((old) => old.remove());
    for (const key of taken) {
        const field = document.createElement('input');
        field.type = 'hidden';
        field.name = 'papers[]';
        field.value = key;
        button.form.append(field);
    }
}));

// A page from outside counts as opened once a person moves, touches or types on it: programs that look through mail do not.
const opened = document.body.dataset.opened;
if (opened) {
    const acts = ['pointerdown', 'pointermove', 'keydown', 'touchstart', 'wheel', 'scroll'];
    const act = () => {
        acts.forEach((kind) => window.removeEventListener(kind, act));
        fetch(opened, { method: 'POST', headers: { ...proof() }, keepalive: true }).catch(() => {});
    };
    acts.forEach((kind) => window.addEventListener(kind, act, { passive: true }));
}
