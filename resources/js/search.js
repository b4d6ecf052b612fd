// The search field as a combobox: arrows move through what it may be, Enter opens or completes, Escape closes.
// https://www.w3.org/WAI/ARIA/apg/patterns/combobox/

const field = document.querySelector('#find');
const list = document.querySelector('#completions');
let now = -1;

const options = () => [...list.querySelectorAll('[role=option]')];

function at(index) {
    const all = options();
    now = Math.max(-1, Math.min(all.length - 1, index));
    all.forEach((option, n) => option.setAttribute('aria-selected', n === now));
    if (now < 0) field.removeAttribute('aria-activedescendant');
    else field.setAttribute('aria-activedescendant', all[now].id);
    all[now]?.scrollIntoView({ block: 'nearest' });
}

function shown() {
    options().forEach((option, n) => { option.id = `find-${n}`; });
    field.setAttribute('aria-expanded', options().length > 0);
    at(-1);
}

function take(option) {
    if (option.dataset.complete === undefined) {
        location.href = option.dataset.go;
        return;
    }
    field.value = option.dataset.complete;
    field.focus();
    field.dispatchEvent(new Event('input', { bubbles: true }));
}

function close() {
    list.replaceChildren();
    shown();
}

if (field && list) {
    list.addEventListener('htmx:afterSwap', shown);
    list.addEventListener('mousedown', (event) => event.preventDefault());
    list.addEventListener('click', (event) => {
        const option = event.target.closest('[role=option]');
        option && take(option);
    });
    // What was marked goes with what was typed before.
    field.addEventListener('input', () => at(-1));
    field.addEventListener('keydown', (event) => {
        const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
        if (step) {
            event.preventDefault();
            at(now + step);
        } else if (event.key === 'Enter' && !event.repeat) {
            const chosen = options()[now];
            if (chosen) {
                event.preventDefault();
                take(chosen);
            }
        } else if (event.key === 'Escape') {
            close();
            field.blur();
        }
    });
    field.addEventListener('blur', () => setTimeout(() => document.activeElement === field || close(), 150));
}
