// How large pages are shown, and whether two stand side by side; kept on the device.
const bar = document.querySelector('.zoom');
const pages = document.querySelector('.pages');
const steps = [50, 65, 80, 100, 120, 150, 200, 300];
let zoom = steps.includes(Number(localStorage.getItem('unanimus:zoom'))) ? Number(localStorage.getItem('unanimus:zoom')) : 100;
let two = localStorage.getItem('unanimus:two') === '1';

function show() {
    // What is looked at stays where it is.
    const sections = [...pages.querySelectorAll('.page')];
    const seen = sections.find((page) => page.getBoundingClientRect().bottom > 120);
    const part = seen ? (120 - seen.getBoundingClientRect().top) / seen.getBoundingClientRect().height : 0;
    pages.style.setProperty('--zoom', zoom / 100);
    pages.classList.toggle('two', two);
    bar.querySelector('output').textContent = `${zoom} %`;
    bar.querySelector('[data-two]')?.setAttribute('aria-pressed', String(two));
    localStorage.setItem('unanimus:zoom', zoom);
    localStorage.setItem('unanimus:two', two ? '1' : '0');
    if (seen && part > 0) window.scrollBy(0, seen.getBoundingClientRect().top + part * seen.getBoundingClientRect().height - 120);
}

function step(by) {
    zoom = steps[Math.max(0, Math.min(steps.length - 1, steps.indexOf(zoom) + by))];
    show();
}

bar.addEventListener('click', (event) => {
    const button = event.target.closest('button');
    if (!button) return;
    if (button.dataset.two !== undefined) {
        two = !two;
        show();
    } else step(Number(button.dataset.step));
});
document.addEventListener('keydown', (event) => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.target.closest('input, textarea, select, .item-group, svg[tabindex]')) return;
    if (event.key === '+' || event.key === '=') step(1);
    else if (event.key === '-') step(-1);
    else if (event.key === '0') { zoom = 100; show(); } else if (event.key === '2' && getComputedStyle(bar.querySelector('[data-two]')).display !== 'none') { two = !two; show(); }
});
if (zoom !== 100 || two) show();
