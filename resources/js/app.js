import htmx from 'htmx.org';
import './deal-line.js';
import './drafts.js';
import './find-rows.js';
import { changedIn, standsIn } from './fields.js';
import './held.js';
import './keys.js';
import './pages.js';
import { proof } from './proof.js';
import { signInAgain } from './resume.js';
import './scrolled.js';
import './search.js';
import './stays-open.js';
import { tell } from './tell.js';

htmx.config.includeIndicatorStyles = false;
htmx.config.allowEval = false;
htmx.config.defaultSwapStyle = 'outerHTML';

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
// The bell asks on and on by itself: that it got no answer is nobody's worry.
const isBell = (event) => Boolean(event.detail.elt?.closest?.('.bell'));

document.body.addEventListener('htmx:responseError', async (event) => {
    if (isBell(event)) return;
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
document.body.addEventListener('htmx:sendError', (event) => isBell(event) || tell('There is no connection. What you typed is still in the field. Leave the field again when you are back online.'));

// A tap on one of several answers goes on to the next question; whoever chooses by keyboard goes on by the button.
document.querySelectorAll('[data-goes-on]').forEach((choice) => choice.addEventListener('click', (event) => {
    if (event.detail === 0 || choice.parentNode.dataset.goes) return;
    choice.parentNode.dataset.goes = '1';
    setTimeout(() => choice.closest('form').querySelector('button[value=next]').click(), 180);
}));
document.querySelectorAll('[data-sends]').forEach((select) => select.addEventListener('change', () => select.form.submit()));
document.querySelectorAll('[data-print]').forEach((button) => button.addEventListener('click', () => window.print()));
document.querySelectorAll('[data-opens]').forEach((button) => button.addEventListener('click', () => document.querySelector(button.dataset.opens)?.showModal?.()));
document.querySelectorAll('[data-file-form]').forEach((input) => input.addEventListener('change', () => input.form.requestSubmit()));

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
// Also for buttons of menus that are fetched when they are opened.
document.addEventListener('click', (event) => {
    const button = event.target.closest?.('[data-with-taken]');
    if (!button) return;
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
}, true);

// Files let go anywhere over a page that takes them go into its form at once.
const drops = document.querySelector('[data-drop-files]');
if (drops) {
    const hasFiles = (event) => [...(event.dataTransfer?.types ?? [])].includes('Files');
    document.addEventListener('dragover', (event) => { if (hasFiles(event)) { event.preventDefault(); drops.classList.add('over'); } });
    document.addEventListener('dragleave', (event) => event.relatedTarget === null && drops.classList.remove('over'));
    document.addEventListener('drop', (event) => {
        if (!hasFiles(event) || event.dataTransfer.files.length === 0) return;
        event.preventDefault();
        drops.querySelector('[type=file]').files = event.dataTransfer.files;
        drops.requestSubmit();
    });
}

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

// Drawings wider than a narrow screen begin where today is.
document.querySelectorAll('[data-scroll-to]').forEach((wrap) => {
    const at = wrap.querySelector(wrap.dataset.scrollTo)?.getBoundingClientRect().left;
    if (at !== undefined && wrap.scrollWidth > wrap.clientWidth) wrap.scrollLeft = at - wrap.getBoundingClientRect().left - wrap.clientWidth * 0.2;
});

// The board shows the rows of one seat, or of one state of review.
const filters = { seat: '', state: '' };
function filterBoard() {
    for (const row of document.querySelectorAll('table.board tr.row')) {
        row.hidden = (filters.seat !== '' && !row.dataset.owes.split(' ').includes(filters.seat)) || (filters.state !== '' && (filters.state.startsWith('tag:') ? !row.dataset.tags.split('|').includes(filters.state.slice(4)) : row.dataset.state !== filters.state));
    }
    document.querySelectorAll('table.board tbody').forEach((part) => { part.hidden = ![...part.querySelectorAll('tr.row')].some((row) => !row.hidden); });
    document.querySelectorAll('[data-filter]').forEach((button) => button.setAttribute('aria-pressed', button.dataset.filter === filters.seat));
}
document.querySelectorAll('[data-filter]').forEach((button) => button.addEventListener('click', () => {
    filters.seat = filters.seat === button.dataset.filter ? '' : button.dataset.filter;
    filterBoard();
}));
document.querySelector('[data-filter-state]')?.addEventListener('change', (event) => {
    filters.state = event.target.value;
    filterBoard();
});

// From here on keys are answered.
document.body.dataset.ready = '';

// What is dropped on a page with one such form goes through it.
const dropHere = document.querySelector('[data-drop-here]');
if (dropHere) {
    const carries = (event) => [...(event.dataTransfer?.types || [])].includes('Files');
    let over = 0;
    const mark = (by) => { over = by === 0 ? 0 : Math.max(0, over + by); document.body.classList.toggle('dropping', over > 0); };
    window.addEventListener('dragenter', (event) => carries(event) && mark(1));
    window.addEventListener('dragleave', (event) => carries(event) && mark(-1));
    window.addEventListener('dragover', (event) => carries(event) && event.preventDefault());
    window.addEventListener('drop', (event) => {
        if (!carries(event)) return;
        event.preventDefault();
        mark(0);
        const input = dropHere.querySelector('input[type=file]');
        input.files = event.dataTransfer.files;
        dropHere.requestSubmit();
    });
}
