// Bringing papers in: chosen or dropped, one after the other, each with its own progress and its own answer.

import { proof } from './proof.js';

const form = document.querySelector('[data-bring]');
const list = document.querySelector('#bringing');
let queue = Promise.resolve();
let brought = 0;
let refused = 0;

function send(file, line) {
    return new Promise((done) => {
        const request = new XMLHttpRequest();
        const data = new FormData();
        data.append('pdf', file);
        request.open('POST', form.action);
        request.setRequestHeader('Accept', 'application/json');
        Object.entries(proof()).forEach(([name, value]) => request.setRequestHeader(name, value));
        request.upload.addEventListener('progress', (event) => {
            line.textContent = event.loaded < event.total ? `${file.name}: ${Math.round((100 * event.loaded) / event.total)} % sent` : `${file.name}: being looked through …`;
        });
        request.addEventListener('load', () => {
            let answer = {};
            try { answer = JSON.parse(request.responseText); } catch { /* told below */ }
            const told = (answer.told || []).join(' ');
            const why = (answer.refused || []).join(' ') || answer.message || 'This was not taken in. Try again in a moment.';
            if (request.status === 200 && told) { brought += 1; line.textContent = told; line.className = 'ok'; } else { refused += 1; line.textContent = why.startsWith(file.name) ? why : `${file.name}: ${why}`; line.className = 'late'; }
            done();
        });
        request.addEventListener('error', () => { refused += 1; line.textContent = `${file.name}: the connection was lost. It is not in the file; bring it in again.`; line.className = 'late'; done(); });
        request.send(data);
    });
}

function bring(files) {
    list.hidden = false;
    for (const file of files) {
        const line = document.createElement('li');
        line.textContent = `${file.name}: waits`;
        list.append(line);
        queue = queue.then(() => send(file, line));
    }
    queue = queue.then(() => {
        // Where all went well the board shows it; what was refused stays to be read.
        if (brought && !refused) location.reload();
        else if (brought && !list.querySelector('[data-again]')) {
            const again = document.createElement('li');
            again.dataset.again = '';
            again.innerHTML = '<a href="">Show the board as it is now</a>';
            list.append(again);
        }
    });
}

if (form) {
    const input = form.querySelector('input[type=file]');
    input.addEventListener('change', () => { bring([...input.files]); input.value = ''; });
    let over = 0;
    const carries = (event) => [...(event.dataTransfer?.types || [])].includes('Files');
    window.addEventListener('dragenter', (event) => { if (carries(event)) { over += 1; document.body.classList.add('dropping'); } });
    window.addEventListener('dragleave', (event) => { if (carries(event) && (over -= 1) <= 0) { over = 0; document.body.classList.remove('dropping'); } });
    window.addEventListener('dragover', (event) => carries(event) && event.preventDefault());
    window.addEventListener('drop', (event) => {
        if (!carries(event)) return;
        event.preventDefault();
        over = 0;
        document.body.classList.remove('dropping');
        bring([...event.dataTransfer.files]);
    });
}
