// The review desk: a remark is pinned where the page is clicked, or by keyboard: p puts the pin on the page, arrows move it,
// Enter goes on to the words.

import { at, element } from './on-page.js';

const form = document.querySelector('#send-back');
let pin = null;

function put(page, x, y) {
    const svg = page.querySelector('svg');
    form.elements.page.value = page.dataset.pinPage;
    form.elements.x.value = x.toFixed(1);
    form.elements.y.value = y.toFixed(1);
    const takes = document.querySelector('[data-takes-pin]');
    if (takes) for (const name of ['page', 'x', 'y']) takes.elements[name].value = form.elements[name].value;
    document.querySelector('#pinned').textContent = `Pinned to page ${page.dataset.pinPage}.`;
    document.querySelectorAll('.pin.new').forEach((old) => old.remove());
    const mark = element('g', { class: 'pin new' });
    mark.innerHTML = `<circle cx="${x}" cy="${y}" r="7"/>`;
    svg.append(mark);
    pin = { page, x, y };
}

// The page one looks at: most of it is on the screen.
function lookedAt() {
    return [...document.querySelectorAll('[data-pin-page]')].find((page) => page.getBoundingClientRect().bottom > innerHeight / 2) ?? document.querySelector('[data-pin-page]');
}

if (form) {
    document.querySelectorAll('[data-pin-page]').forEach((page) => page.addEventListener('click', (event) => {
        put(page, ...at(page.querySelector('svg'), event));
        form.elements.remark.focus();
    }));
    document.querySelector('#pin')?.addEventListener('click', () => {
        const page = lookedAt();
        if (!page) return;
        const box = page.querySelector('svg').viewBox.baseVal;
        put(page, box.width / 2, Math.min(box.height - 20, Math.max(20, box.height * 0.3)));
        page.tabIndex = -1;
        page.focus({ preventScroll: true });
        page.scrollIntoView({ block: 'nearest' });
    });
    document.addEventListener('keydown', (event) => {
        const step = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
        if (!pin || document.activeElement !== pin.page) return;
        if (step) {
            event.preventDefault();
            const by = event.shiftKey ? 2 : 14;
            const box = pin.page.querySelector('svg').viewBox.baseVal;
            put(pin.page, Math.max(8, Math.min(box.width - 8, pin.x + step[0] * by)), Math.max(8, Math.min(box.height - 8, pin.y + step[1] * by)));
        } else if (event.key === 'Enter') {
            event.preventDefault();
            form.elements.remark.focus();
        }
    });
}

// What the machine found: f goes from one to the next and shows its place, y makes a remark of it, x sets it aside.
const findings = [...document.querySelectorAll('[data-finding]')];
let on = -1;

function showPlace(finding) {
    document.querySelectorAll('.finding-here').forEach((old) => old.remove());
    const page = document.querySelector(`[data-pin-page="${finding.dataset.page}"]`);
    if (!page) return;
    page.scrollIntoView({ block: 'start' });
    if (!finding.dataset.place) return;
    const [x, y, width, height] = finding.dataset.place.split(',').map(Number);
    const svg = page.querySelector('svg');
    svg.append(element('rect', { class: 'finding-here', x: x - 4, y: y - 4, width: width + 8, height: height + 8 }));
    svg.querySelector('.finding-here').scrollIntoView({ block: 'center' });
}

function goTo(index) {
    on = index;
    findings[on].focus({ preventScroll: true });
    findings[on].scrollIntoView({ block: 'nearest' });
    showPlace(findings[on]);
}

findings.forEach((finding, index) => finding.addEventListener('click', (event) => event.target.closest('button') || goTo(index)));
document.addEventListener('keydown', (event) => {
    if (findings.length === 0 || event.repeat || event.ctrlKey || event.metaKey || event.altKey || document.body.dataset.keys === 'off') return;
    if (event.target.closest?.('input:not([type=checkbox]), textarea, select')) return;
    if (event.key === 'f') goTo((on + 1) % findings.length);
    else if (on >= 0 && event.key === 'y') findings[on].querySelector('[value=remark]').click();
    else if (on >= 0 && event.key === 'x') findings[on].querySelector('[value=aside]').click();
    else return;
    event.preventDefault();
});
document.querySelectorAll('select[data-sends]').forEach((select) => select.addEventListener('change', () => select.form.requestSubmit()));
