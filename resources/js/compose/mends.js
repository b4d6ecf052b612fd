// What is wrong with a round stands beside the way to set it right. The list is told anew while somebody is at it.
import { pages } from './state.js';

const list = document.querySelector('#faults');
const form = document.querySelector('#compose');

export function showFaults(html) {
    const typed = list.querySelector('[name="against"]');
    const isAtIt = typed !== null && typed === document.activeElement;
    list.innerHTML = html;
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

list.addEventListener('click', (event) => {
    const button = event.target.closest('[data-enter], [data-look], [data-last-day]');
    if (!button) return;
    if (button.dataset.enter) return enter(button.dataset.enter);
    if (button.dataset.look) {
        const unlooked = (page) => document.querySelector(`.thumbs a[href="#${page.id}"]`)?.classList.contains('unlooked');
        const page = pages.find((one) => one.dataset.paper === button.dataset.look && unlooked(one));
        page?.scrollIntoView({ block: 'start' });
        return;
    }
    const day = form.elements.last_day;
    day.value = button.dataset.lastDay;
    day.dispatchEvent(new Event('input', { bubbles: true }));
    day.dispatchEvent(new Event('change', { bubbles: true }));
});
