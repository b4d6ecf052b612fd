// Uploads dragged onto a row of the board: the row is chosen in the list, and placed with the rest.

const rows = [...document.querySelectorAll('tr[data-paper]')];
let dragged = null;

for (const line of document.querySelectorAll('[data-upload]')) {
    line.addEventListener('dragstart', (event) => {
        dragged = line;
        event.dataTransfer.setData('text/plain', line.innerText);
        event.dataTransfer.effectAllowed = 'move';
        const takes = new Set([...line.querySelectorAll('option')].map((one) => one.value));
        rows.forEach((row) => row.classList.toggle('takes', takes.has(row.dataset.paper)));
    });
    line.addEventListener('dragend', () => {
        dragged = null;
        rows.forEach((row) => row.classList.remove('takes', 'over'));
    });
}
for (const row of rows) {
    row.addEventListener('dragover', (event) => {
        if (!dragged || !row.classList.contains('takes')) return;
        event.preventDefault();
        rows.forEach((one) => one.classList.toggle('over', one === row));
    });
    row.addEventListener('drop', (event) => {
        if (!dragged || !row.classList.contains('takes')) return;
        event.preventDefault();
        dragged.querySelector('select').value = row.dataset.paper;
        const apart = dragged.querySelector('[name="apart[]"]');
        if (apart) apart.checked = false;
        dragged.classList.add('chosen');
    });
}
