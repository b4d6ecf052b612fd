// The order in which papers are put together: dragged, or moved by keys; each may be left out and taken again.
const sequence = document.querySelector('#sequence');
const others = document.querySelector('#others');
let dragged = null;

function settle() {
    for (const row of document.querySelectorAll('.sequence li')) {
        const taken = row.parentElement === sequence;
        row.querySelector('input').disabled = !taken;
        row.querySelector('[data-toggle]').textContent = taken ? 'Leave out' : 'Add';
    }
    document.querySelector('#none').hidden = sequence.children.length > 0;
    document.querySelector('#others-head').hidden = others.children.length === 0;
}

document.querySelector('#assemble').addEventListener('click', (event) => {
    const toggle = event.target.closest('[data-toggle]');
    if (!toggle) return;
    const row = toggle.closest('li');
    (row.parentElement === sequence ? others : sequence).append(row);
    settle();
    row.focus();
});
for (const list of [sequence, others]) {
    list.addEventListener('dragstart', (event) => { dragged = event.target.closest('li'); event.dataTransfer.effectAllowed = 'move'; });
    list.addEventListener('dragover', (event) => {
        event.preventDefault();
        const over = event.target.closest('li');
        if (!dragged || over === dragged) return;
        if (!over) list.append(dragged);
        else over.parentElement.insertBefore(dragged, event.clientY < over.getBoundingClientRect().top + over.offsetHeight / 2 ? over : over.nextSibling);
    });
    list.addEventListener('drop', (event) => event.preventDefault());
    list.addEventListener('dragend', () => { dragged = null; settle(); });
    list.addEventListener('keydown', (event) => {
        const row = event.target.closest('li');
        if (!row || event.target.tagName === 'BUTTON') return;
        if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
            event.preventDefault();
            const beside = event.key === 'ArrowUp' ? row.previousElementSibling : row.nextElementSibling;
            if (beside) row.parentElement.insertBefore(event.key === 'ArrowUp' ? row : beside, event.key === 'ArrowUp' ? beside : row);
            row.focus();
        } else if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
            event.preventDefault();
            const all = [...document.querySelectorAll('.sequence li')];
            all[all.indexOf(row) + (event.key === 'ArrowUp' ? -1 : 1)]?.focus();
        } else if (event.key === ' ' || event.key === 'Delete') {
            event.preventDefault();
            row.querySelector('[data-toggle]').click();
        }
    });
}
// Printing and the ZIP leave this page as it is, so they may be asked for again; a set is made once.
document.querySelector('#assemble').addEventListener('submit', (event) => {
    const form = event.target;
    if (form.hasAttribute('data-again')) delete form.dataset.sent;
    form.toggleAttribute('data-again', event.submitter?.dataset.againButton !== undefined);
});
settle();
