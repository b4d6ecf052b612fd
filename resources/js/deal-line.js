// Posts on the deal line move by dragging or arrow keys; what would shift with them is shown before anything moves.
const day = (iso, days) => new Date(Date.parse(`${iso}T12:00:00Z`) + days * 86400000);
const iso = (date) => date.toISOString().slice(0, 10);
const read = (date) => date.toLocaleDateString('en-US', { weekday: 'short', month: 'short', day: 'numeric', timeZone: 'UTC' });

export async function showShift(url) {
    const dialog = document.querySelector('#shift');
    const answer = await fetch(url, { headers: { 'HX-Request': 'true', Accept: 'text/html, application/json' }, credentials: 'same-origin' });
    if (!dialog) return;
    const text = await answer.text();
    if (answer.ok) {
        dialog.innerHTML = text;
    } else {
        const told = document.createElement('p');
        told.className = 'late';
        told.textContent = (() => { try { return JSON.parse(text).message; } catch { return 'We could not read that. Nothing was moved.'; } })();
        dialog.replaceChildren(told, Object.assign(document.createElement('button'), { type: 'button', className: 'button', textContent: 'Close' }));
        dialog.lastChild.setAttribute('data-closes', '');
    }
    dialog.showModal();
    (dialog.querySelector('input[name=reason]') || dialog.querySelector('button')).focus();
}

function put(post, days) {
    post.dataset.moved = days;
    const unit = Number(post.ownerSVGElement.dataset.unit);
    post.setAttribute('transform', days === 0 ? '' : `translate(${days * unit} 0)`);
    // While it moves its name stands under all others, so that it runs into none.
    post.querySelector('text').setAttribute('transform', days === 0 ? '' : `translate(0 ${post.dataset.drop})`);
    const date = day(post.dataset.day, days);
    const label = post.querySelector('.day');
    label.dataset.was ??= label.textContent;
    label.textContent = days === 0 ? label.dataset.was : read(date);
    post.setAttribute('aria-valuenow', days);
    post.setAttribute('aria-valuetext', read(date));
    post.classList.toggle('moving', days !== 0);
}

function ask(post) {
    const days = Number(post.dataset.moved || 0);
    if (days === 0) return;
    const line = post.ownerSVGElement.dataset.dealLine;
    const at = location.pathname.endsWith('/opening') ? '&at=opening' : '';
    showShift(`${line}?anchor=${post.dataset.anchor}&day=${iso(day(post.dataset.day, days))}${at}`);
}

document.addEventListener('keydown', (event) => {
    const post = event.target.closest?.('[data-anchor]');
    if (!post) return;
    const step = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (step) {
        event.preventDefault();
        put(post, Number(post.dataset.moved || 0) + step * (event.shiftKey ? 7 : 1));
    } else if (event.key === 'Enter') {
        event.preventDefault();
        ask(post);
    } else if (event.key === 'Escape') {
        put(post, 0);
    }
});

let drag = null;
document.addEventListener('pointerdown', (event) => {
    const post = event.target.closest?.('[data-anchor]');
    if (!post) return;
    const scale = post.ownerSVGElement.getScreenCTM().a;
    drag = { post, from: event.clientX, unit: Number(post.ownerSVGElement.dataset.unit) * scale };
    post.setPointerCapture(event.pointerId);
    event.preventDefault();
    post.focus();
});
document.addEventListener('pointermove', (event) => drag && put(drag.post, Math.round((event.clientX - drag.from) / drag.unit)));
document.addEventListener('pointerup', () => {
    const was = drag;
    drag = null;
    was && ask(was.post);
});

document.addEventListener('close', (event) => {
    if (event.target.id !== 'shift') return;
    document.querySelectorAll('[data-anchor]').forEach((post) => put(post, 0));
    document.querySelectorAll('[data-asked]').forEach((field) => {
        field.value = field.defaultValue;
        delete field.dataset.asked;
    });
}, true);
document.addEventListener('click', (event) => event.target.matches?.('[data-closes]') && event.target.closest('dialog').close());
document.addEventListener('submit', (event) => {
    if (!event.target.matches('[data-shift]')) return;
    event.preventDefault();
    showShift(`${event.target.getAttribute('action')}?${new URLSearchParams(new FormData(event.target))}`);
}, true);
document.addEventListener('shift', (event) => {
    const field = event.target;
    if (field instanceof HTMLInputElement) field.dataset.asked = '1';
    showShift(event.detail.url);
});
