// What is wrong with a round stands beside the way to set it right. The list is told anew while somebody is at it.
import { pageOf, pages, state } from './state.js';

const list = document.querySelector('#faults');
const form = document.querySelector('#compose');

export function showFaults(html) {
    const typed = list.querySelector('[name="against"]');
    const isAtIt = typed !== null && typed === document.activeElement;
    list.innerHTML = html;
    delete list.dataset.later;
    list.removeAttribute('aria-busy');
    const field = list.querySelector('[name="against"]');
    if (!typed || !field) return;
    field.value = typed.value;
    if (isAtIt) field.focus({ preventScroll: true });
}

function enter(name) {
    const field = form.elements[name];
    field?.scrollIntoView({ block: 'center' });
    field?.focus({ preventScroll: true });
    field?.select?.();
}

const unlooked = (page) => document.querySelector(`.thumbs a[href="#${page.id}"]`)?.classList.contains('unlooked');

// What goes out cannot be taken back: asked once where places stand on pages of an unknown paper that nobody has looked at.
let asked = false;
form.addEventListener('submit', (event) => {
    if (event.submitter?.name !== 'send' || asked) return;
    const unknown = (page) => document.querySelector(`[data-unknown][data-position="${page.dataset.paper}"]`) !== null;
    const placed = new Set(state.marks.map(pageOf));
    const unseen = pages.filter((page) => placed.has(page) && unknown(page) && unlooked(page));
    if (unseen.length === 0) return;
    asked = true;
    event.preventDefault();
    const told = document.querySelector('#ask-send');
    const few = [
        `Page ${unseen[0].dataset.number} has places to sign and was`,
        'Two pages with places to sign were',
        'Three pages with places to sign were',
    ];
    const count = few[unseen.length - 1] ?? `${unseen.length} pages with places to sign were`;
    told.textContent = `${count} not looked at yet. Look at the places, or press Send again to send it as it is.`;
    told.hidden = false;
    unseen[0].scrollIntoView({ block: 'start' });
});

list.addEventListener('click', (event) => {
    const button = event.target.closest('[data-enter], [data-look], [data-last-day]');
    if (!button) return;
    if (button.dataset.enter) return enter(button.dataset.enter);
    if (button.dataset.look) {
        const page = pages.find((one) => one.dataset.paper === button.dataset.look && unlooked(one)) ?? pages.find(unlooked);
        page?.scrollIntoView({ block: 'start' });
        return;
    }
    const day = form.elements.last_day;
    day.value = button.dataset.lastDay;
    day.dispatchEvent(new Event('input', { bubbles: true }));
    day.dispatchEvent(new Event('change', { bubbles: true }));
});
