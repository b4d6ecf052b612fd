// What is asked at the chosen place beyond its kind: required or not, what is typed there, what it depends on, or what the
// sender enters there already.
import { state } from './state.js';

const sheet = document.querySelector('#terms');
const field = (name) => sheet.querySelector(`[name="${name}"]`);
let shown = null;
let given = () => {};

// What differs from what is usual for the kind.
function read(mark) {
    const usual = !['tick', 'strike'].includes(mark.kind);
    const text = (name) => (field(name).closest('[hidden]') ? '' : field(name).value.trim());
    const terms = { hint: text('hint'), format: text('format'), group: text('group'), when: text('when') };
    if (terms.format === 'line') terms.format = '';
    const filled = mark.kind === 'tick' ? (field('ticked').checked ? 'x' : '') : text('filled');
    return {
        ...Object.fromEntries(Object.entries({ ...terms, filled }).filter(([, value]) => value !== '')),
        ...(mark.kind === 'text' && field('private').checked ? { private: true } : {}),
        ...(field('required').checked === usual ? {} : { required: field('required').checked }),
    };
}

export function showTerms(mark, put) {
    given = put;
    const isAsked = mark && ['signature', 'initials', 'text', 'tick', 'strike'].includes(mark.kind) && mark.sure === null;
    sheet.hidden = !isAsked;
    if (!isAsked || shown === mark || sheet.contains(document.activeElement) && shown?.key === mark.key) {
        shown = mark;
        return;
    }
    shown = mark;
    const { terms = {} } = mark;
    for (const part of sheet.querySelectorAll('[data-for]')) part.hidden = !part.dataset.for.split(' ').includes(mark.kind);
    field('required').checked = terms.required ?? !['tick', 'strike'].includes(mark.kind);
    for (const name of ['hint', 'group', 'filled']) field(name).value = terms[name] ?? '';
    field('format').value = terms.format ?? 'line';
    field('ticked').checked = Boolean(terms.filled);
    field('private').checked = Boolean(terms.private);
    const boxes = state.marks.filter((one) => one.kind === 'tick' && one.paper === mark.paper && one.key !== mark.key);
    field('when').replaceChildren(new Option('Always', ''), ...boxes.map((one) => new Option(
        `Only if “${one.terms?.hint || `check box on page ${one.page}`}” is checked`, one.key)));
    field('when').value = terms.when ?? '';
    field('when').closest('label').hidden = boxes.length === 0;
}

sheet.addEventListener('change', () => {
    if (shown) given(read(shown));
});
sheet.addEventListener('submit', (event) => event.preventDefault());
