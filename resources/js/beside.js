// What stands beside a paper while it is filled: a value, or words that are selected, go into a blank with where they come from.

const panel = document.querySelector('#beside');
const choose = document.querySelector('#beside-of');
const useSelection = document.querySelector('#use-selection');
let last = null;
let selected = '';

const blankOf = (name) => document.querySelector(`[data-blank="${CSS.escape(name)}"]`);

function use(field, value, from) {
    if (!field) return;
    document.dispatchEvent(new CustomEvent('unanimus:use', { detail: { blank: field.dataset.blank, value, from } }));
    field.scrollIntoView({ block: 'center' });
}

if (panel) {
    document.addEventListener('focusin', (event) => {
        if (event.target.matches('[data-blank]')) last = event.target;
    });
    choose.addEventListener('change', () => {
        document.querySelector('.desk').classList.toggle('is-beside', choose.value !== '');
        if (choose.value === '') panel.replaceChildren();
    });
    panel.addEventListener('click', (event) => {
        const button = event.target.closest('[data-use]');
        if (button) use(button.dataset.into ? blankOf(button.dataset.into) : last, button.dataset.use, button.dataset.from);
    });
    document.addEventListener('selectionchange', () => {
        const selection = getSelection();
        const inside = selection.anchorNode && panel.querySelector('.beside-text')?.contains(selection.anchorNode);
        if (inside) selected = selection.toString().trim();
        else if (!document.activeElement?.matches?.('#use-selection')) selected = '';
        useSelection.hidden = !(inside && selected !== '' && last);
    });
    useSelection.addEventListener('pointerdown', (event) => event.preventDefault());
    useSelection.addEventListener('click', () => use(last, selected, panel.querySelector('.beside-text').dataset.from));
}
