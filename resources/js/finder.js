// Finding forms by keyboard: the field keeps the focus, the arrows move, Enter takes or takes out, → looks.

const field = document.querySelector('#finder');
const found = document.querySelector('#found');
const look = document.querySelector('#look');
let at = 0;
// What the list answers; a hand that types and presses Enter at once means what it typed, not what is still listed.
let answered = field.value;
let takesNext = false;

const rows = () => [...found.querySelectorAll('[data-form]')];

function mark(to) {
    const all = rows();
    at = Math.max(0, Math.min(all.length - 1, to));
    all.forEach((row, index) => row.classList.toggle('at', index === at));
    all[at]?.scrollIntoView({ block: 'nearest' });
}

function show(row) {
    if (!row) return;
    const pages = Array.from({ length: Number(row.dataset.pages) }, (_, index) => {
        const image = document.createElement('img');
        image.src = `/library/${row.dataset.form}/pages/${index + 1}.webp?v=${row.dataset.stamp}`;
        image.alt = `Page ${index + 1} of ${row.dataset.form}`;
        image.loading = 'lazy';
        image.width = 612;
        image.height = 792;
        return image;
    });
    const title = document.createElement('h2');
    title.textContent = row.querySelector('.serif').textContent;
    look.replaceChildren(title, ...pages);
    look.scrollTop = 0;
}

field.addEventListener('keydown', (event) => {
    const steps = { ArrowDown: 1, ArrowUp: -1, PageDown: 8, PageUp: -8 };
    if (steps[event.key]) {
        event.preventDefault();
        mark(at + steps[event.key]);
    } else if (event.key === 'Enter') {
        event.preventDefault();
        if (answered !== field.value) takesNext = true;
        else rows()[at]?.querySelector('[data-take]')?.click();
    } else if (event.key === 'ArrowRight' && field.selectionStart === field.value.length) {
        show(rows()[at]);
    }
});
found.addEventListener('click', (event) => {
    const row = event.target.closest('[data-form]');
    if (!row) return;
    mark(rows().indexOf(row));
    if (event.target.closest('[data-look]')) show(row);
});
field.addEventListener('input', () => { takesNext = false; });
document.body.addEventListener('htmx:afterSwap', (event) => {
    if (event.detail.target.id === 'found') answered = new URL(event.detail.pathInfo.finalRequestPath, location.href).searchParams.get('q') ?? '';
    mark(event.detail.target.id === 'found' ? 0 : at);
    if (event.detail.target.id !== 'found') field.focus();
    else if (takesNext && answered === field.value) {
        takesNext = false;
        rows()[at]?.querySelector('[data-take]')?.click();
    }
});
// The connection is lost: the next Enter asks again.
document.body.addEventListener('htmx:sendError', () => { takesNext = false; });
mark(0);
