// On a phone the blanks of a page are a few pixels high. Whoever comes to one there writes in a field of their own at the
// top of the screen, above the keyboard, while the page shows where it goes.
import { word } from './entry-words.js';

const narrow = matchMedia('(max-width: 700px)');

export function entryBar({ blanks, next, leave, stored }) {
    const bar = Object.assign(document.createElement('form'), { className: 'entry-bar', hidden: true });
    bar.setAttribute('aria-label', document.title);
    bar.innerHTML = '<label for="entry-bar-field"></label><div class="entry-bar-field"></div>'
        + '<div class="in-row"><small role="status"></small><button class="button tight plain" type="button"></button><button class="button tight now"></button></div>';
    document.body.append(bar);
    const [label, place, said] = ['label', '.entry-bar-field', 'small'].map((one) => bar.querySelector(one));
    const [close, onward] = bar.querySelectorAll('button');
    close.textContent = word('close');
    onward.textContent = word('next');
    let at = null;

    function control(field) {
        const own = field.cloneNode(true);
        own.removeAttribute('data-blank');
        own.id = 'entry-bar-field';
        own.className = '';
        own.enterKeyHint = 'next';
        if (field.type === 'checkbox') own.checked = field.checked;
        else own.value = field.value;
        own.addEventListener(field.type === 'checkbox' || field.tagName === 'SELECT' ? 'change' : 'input', () => {
            if (field.type === 'checkbox') field.checked = own.checked;
            else field.value = own.value;
            field.dispatchEvent(new Event('input'));
            if (field.type === 'checkbox' || field.tagName === 'SELECT') field.dispatchEvent(new Event('change'));
        });
        own.addEventListener('blur', () => at === field && leave(field));
        own.addEventListener('keydown', (event) => {
            if (event.key === 'Escape') shut();
            if (event.key !== 'Enter' || event.shiftKey) return;
            event.preventDefault();
            if (!event.repeat) onward.click();
        });
        return own;
    }

    function open(field) {
        if (at && at !== field) leave(at);
        at?.classList.remove('at-hand');
        at = field;
        at.classList.add('at-hand');
        label.textContent = field.getAttribute('aria-label');
        place.replaceChildren(control(field));
        said.textContent = field.classList.contains('wrong') ? stored.textContent : '';
        bar.hidden = false;
        document.body.classList.add('has-entry-bar');
        place.firstChild.focus({ preventScroll: true });
        field.scrollIntoView({ block: 'center' });
    }

    function shut() {
        if (at) leave(at);
        at?.classList.remove('at-hand');
        at = null;
        bar.hidden = true;
        document.body.classList.remove('has-entry-bar');
    }

    bar.addEventListener('submit', (event) => {
        event.preventDefault();
        const from = at;
        if (from && next(from) === null) shut();
    });
    close.addEventListener('click', shut);
    narrow.addEventListener('change', () => narrow.matches || shut());
    new MutationObserver(() => { if (at) said.textContent = stored.textContent; }).observe(stored, { childList: true, characterData: true, subtree: true });
    document.addEventListener('focusin', (event) => {
        if (narrow.matches && blanks.includes(event.target) && event.target.type !== 'checkbox') open(event.target);
    });
    // A box that is tapped is checked at once; one that Next comes to is shown here.
    return { at: () => at, opens: (field) => narrow.matches && (open(field), true) };
}
