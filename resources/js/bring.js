// Bringing papers in: chosen or dropped, one after the other, each with its own progress and its own answer.

import './order.js';
import './placing.js';
import { proof } from './proof.js';
import { signInAgain } from './resume.js';
import { newKey } from './waiting.js';

const form = document.querySelector('[data-bring]');
const list = document.querySelector('#bringing');
let queue = Promise.resolve();
const keys = [];
let brought = 0;
let refused = 0;

const pause = (milliseconds) => new Promise((done) => setTimeout(done, milliseconds));

function post(file, key, line) {
    return new Promise((done) => {
        const request = new XMLHttpRequest();
        const data = new FormData();
        data.append('key', key);
        data.append('pdf', file);
        request.open('POST', form.action);
        request.setRequestHeader('Accept', 'application/json');
        Object.entries(proof()).forEach(([name, value]) => request.setRequestHeader(name, value));
        request.upload.addEventListener('progress', (event) => {
            line.textContent = event.loaded < event.total ? `${file.name}: ${Math.round((100 * event.loaded) / event.total)}% sent` : `${file.name}: being checked …`;
        });
        request.addEventListener('load', () => {
            let answer = {};
            try { answer = JSON.parse(request.responseText); } catch { /* told below */ }
            done({ status: request.status, told: (answer.told || []).join(' '), why: (answer.refused || []).join(' ') || answer.message || '' });
        });
        request.addEventListener('error', () => done(null));
        request.send(data);
    });
}

// The answer was lost: the file may be there all the same. The server is asked before anything is said.
async function standing(key) {
    try {
        const answer = await fetch(`${form.action.replace(/papers$/, 'uploads')}/${key}`, { headers: { Accept: 'application/json', ...proof() } });
        return answer.ok ? await answer.json() : null;
    } catch {
        return null;
    }
}

// Where the disk is full the web server itself turns an upload away, before anything can tell why.
async function isFull() {
    const up = await fetch('/up', { headers: { Accept: 'application/json' } }).then((answer) => answer.json()).catch(() => ({}));
    return up.disk === false;
}

async function send(file, line) {
    const key = newKey();
    for (let tries = 0; ; tries++) {
        const answer = await post(file, key, line);
        if (answer && answer.status === 200 && answer.told) {
            brought += 1;
            keys.push(key);
            line.textContent = answer.told;
            line.className = 'ok';
            return;
        }
        if (answer && [401, 419].includes(answer.status) && await signInAgain()) continue;
        if (answer && (answer.status < 500 || answer.status === 507) && answer.status !== 429) {
            refused += 1;
            const why = answer.why || 'That was not uploaded. Try again in a moment.';
            line.textContent = why.startsWith(file.name) ? why : `${file.name}: ${why}`;
            line.className = 'late';
            return;
        }
        line.textContent = `${file.name}: no answer. Checking if it arrived …`;
        const found = await standing(key);
        if (found && found.state !== 'unknown') {
            if (found.state === 'refused') refused += 1;
            else {
                brought += 1;
                keys.push(key);
            }
            line.textContent = found.told;
            line.className = found.state === 'refused' ? 'late' : 'ok';
            return;
        }
        const why = await isFull() ? 'the server’s disk is full. It will be sent once there is room. Keep this page open.'
            : found ? 'it did not arrive. Sending it again.' : 'no connection. It will be sent again when there is one. Keep this page open.';
        line.textContent = `${file.name}: ${why}`;
        await pause(Math.min(1000 * 2 ** tries, 15000));
    }
}

// The board is drawn anew once all came in: what is new on it is shown, wherever one stood when it was dropped.
const SEEN = 'unanimus.board';
const rows = () => [...document.querySelectorAll('tr.row[data-paper]')];

function drawAnew() {
    const seen = { at: location.pathname, papers: rows().map((row) => row.dataset.paper) };
    try { sessionStorage.setItem(SEEN, JSON.stringify(seen)); } catch { /* it is only not shown */ }
    location.reload();
}

function showNew() {
    let seen = null;
    try {
        seen = JSON.parse(sessionStorage.getItem(SEEN));
        sessionStorage.removeItem(SEEN);
    } catch { /* as if nothing had been brought */ }
    if (seen?.at !== location.pathname) return;
    const fresh = rows().filter((row) => !seen.papers.includes(row.dataset.paper));
    fresh.forEach((row) => row.classList.add('fresh'));
    (document.querySelector('#placing') || fresh[0])?.scrollIntoView({ block: 'center' });
}

// Where it goes on from here: what came in is put into the round that is being composed.
async function onward() {
    const uploads = new URLSearchParams(keys.splice(0).map((key) => ['uploads[]', key]));
    if (!form.dataset.then || !uploads.size) return;
    const answer = await fetch(form.dataset.then, { method: 'POST', headers: { Accept: 'application/json', ...proof() }, body: uploads }).catch(() => null);
    if (answer?.ok) return;
    refused += 1;
    const line = document.createElement('li');
    line.className = 'late';
    line.textContent = `It is in the file, but not in this round yet: ${(await answer?.json().catch(() => null))?.message || 'no connection. Add it below.'}`;
    list.append(line);
}

function bring(files) {
    list.hidden = false;
    list.closest('details')?.setAttribute('open', '');
    for (const file of files) {
        const line = document.createElement('li');
        line.textContent = `${file.name}: waits`;
        list.append(line);
        queue = queue.then(() => send(file, line));
    }
    list.scrollIntoView({ block: 'nearest' });
    queue = queue.then(async () => {
        await onward();
        // Where all went well the board shows it; what was refused stays to be read.
        if (brought && !refused) drawAnew();
        else if (brought && !list.querySelector('[data-again]')) {
            const again = document.createElement('li');
            again.dataset.again = '';
            again.innerHTML = '<a href="">Refresh the board</a>';
            again.firstElementChild.addEventListener('click', (event) => { event.preventDefault(); drawAnew(); });
            list.append(again);
        }
    });
}

if (form) {
    showNew();
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
