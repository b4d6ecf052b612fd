// Bringing papers by a link: a file is sent as soon as it is chosen; photos are gathered page by page and sent together. A lost
// answer is asked for again under its key, so that nothing arrives twice.

import { upload } from './uploading.js';

const newKey = () => [...crypto.getRandomValues(new Uint8Array(12))].map((byte) => byte.toString(16).padStart(2, '0')).join('');

function post(form, files, once, progress) {
    const data = new FormData();
    data.append('asked', form.elements.asked.value);
    data.append('once', once);
    files.forEach((file) => data.append('papers[]', file));
    return upload(form.action, data, progress);
}

for (const form of document.querySelectorAll('[data-bring]')) {
    const words = JSON.parse(form.dataset.words);
    const told = form.querySelector('.added');
    const shots = form.querySelector('.shots');
    const sendShots = form.querySelector('[data-send]');
    let gathered = [];
    let waiting = null;

    const draw = () => {
        shots.replaceChildren(...gathered.map((file) => {
            const image = document.createElement('img');
            image.src = URL.createObjectURL(file);
            image.alt = '';
            image.addEventListener('load', () => URL.revokeObjectURL(image.src));
            return image;
        }));
        sendShots.hidden = gathered.length === 0;
        if (gathered.length > 0) told.textContent = gathered.length === 1 ? words.shot : words.shots.replace(':count', gathered.length);
    };

    const send = async (files) => {
        if (form.dataset.busy) return;
        form.dataset.busy = '1';
        told.className = 'added';
        // What was not answered goes again as what it was.
        waiting = waiting ?? { files, once: newKey() };
        let answer = null;
        for (let tries = 0; tries < 4 && (!answer || answer.status >= 500); tries++) {
            if (tries) await new Promise((done) => setTimeout(done, 1200 * tries));
            answer = await post(form, waiting.files, waiting.once, (percent) => { told.textContent = words.sending.replace(':percent', percent); });
        }
        delete form.dataset.busy;
        if (answer?.status === 200) {
            const line = document.createElement('li');
            line.textContent = words.arrived.replace(':name', answer.body.name);
            form.parentElement.querySelector('.brought').append(line);
            form.closest('.to-bring').classList.add('made');
            told.textContent = '';
            gathered = [];
            waiting = null;
            draw();
        } else {
            told.textContent = answer?.body.message || words.lost;
            told.classList.add('late');
            if (answer && answer.status < 500) waiting = null;
        }
    };

    form.querySelector('[data-choose]').addEventListener('change', (event) => {
        const files = [...event.target.files];
        event.target.value = '';
        if (files.length > 0) send(files);
    });
    form.querySelector('[data-shot]').addEventListener('change', (event) => {
        gathered.push(...event.target.files);
        event.target.value = '';
        draw();
    });
    sendShots.addEventListener('click', () => send(gathered));
}
