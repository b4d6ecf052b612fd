// Sends a form's files with word of how far it is. What comes back: the status and what the server says; null without a connection.

import { proof } from './proof.js';

export function upload(address, data, progress) {
    return new Promise((done) => {
        const request = new XMLHttpRequest();
        request.open('POST', address);
        request.setRequestHeader('Accept', 'application/json');
        Object.entries(proof()).forEach(([name, value]) => request.setRequestHeader(name, value));
        request.upload.addEventListener('progress', (event) => progress(Math.round((100 * event.loaded) / event.total)));
        request.addEventListener('load', () => {
            let body = {};
            try { body = JSON.parse(request.responseText); } catch { /* told in other words */ }
            done({ status: request.status, body });
        });
        request.addEventListener('error', () => done(null));
        request.send(data);
    });
}
