// A session that has ended is signed in again on the spot: the page stays, with all that was typed, and what waits goes on.

import { proof, who } from './proof.js';

const dialog = document.querySelector('#again');
const JSON_ONLY = { Accept: 'application/json' };
let asking = null;

async function send(url, body) {
    const answer = await fetch(url, { method: 'POST', headers: { ...JSON_ONLY, 'Content-Type': 'application/json', ...proof('') }, body: JSON.stringify(body) });
    return { ok: answer.ok, status: answer.status, body: await answer.json().catch(() => ({})) };
}

// Forms on the page carry the token of the session that was: they get the new one.
function renew(token) {
    document.querySelector('meta[name=csrf-token]').content = token;
    document.querySelectorAll('input[name=_token]').forEach((field) => { field.value = token; });
}

// Resolves once the same person is signed in again; for pages of clients, who have no sign-in, at once with false.
export function signInAgain() {
    if (!dialog || !who) return Promise.resolve(false);
    if (asking) return asking;
    asking = new Promise((done) => {
        // Signed in again in another tab is as good.
        const watch = setInterval(async () => {
            const answer = await fetch('/sign-in/standing', { headers: JSON_ONLY }).catch(() => null);
            const standing = answer?.ok ? await answer.json() : {};
            if (standing.who !== who || !asking) return;
            renew(standing.token);
            asking = null;
            dialog.close();
            done(true);
        }, 2500);
        const form = dialog.querySelector('form');
        const told = dialog.querySelector('[role=alert]');
        const steps = [...dialog.querySelectorAll('[data-step]')];
        const show = (step) => {
            steps.forEach((one) => { one.hidden = one.dataset.step !== step; });
            steps.find((one) => !one.hidden).querySelector('input').focus();
        };
        const say = (words) => { told.textContent = words; told.hidden = !words; };
        form.onsubmit = async (event) => {
            event.preventDefault();
            say('');
            const code = !steps.find((one) => one.dataset.step === 'code').hidden;
            try {
                // The cookie of a fresh session comes with this look, before anything is sent.
                await fetch('/sign-in/standing', { headers: JSON_ONLY });
                const answer = code
                    ? await send('/sign-in/code', { code: form.elements.code.value })
                    : await send('/sign-in', { email: dialog.dataset.email, password: form.elements.password.value });
                if (!answer.ok) return say(answer.body.message || 'This did not work. Try again.');
                if (answer.body.code) return show('code');
                if (answer.body.who !== who) return say('Someone else is signed in on this device now. Reload the page to work as them.');
                renew(answer.body.token);
                form.reset();
                dialog.close();
                asking = null;
                clearInterval(watch);
                done(true);
            } catch {
                say('No connection. Try again in a moment.');
            }
        };
        dialog.addEventListener('close', () => { clearInterval(watch); if (asking) { asking = null; done(false); } }, { once: true });
        say('');
        dialog.showModal();
        show('password');
    });
    return asking;
}

// A page that was left open finds out when it is looked at again, before anything is lost on the way.
export async function look() {
    if (!who || asking || document.hidden) return;
    try {
        const answer = await fetch('/sign-in/standing', { headers: JSON_ONLY });
        if (answer.status === 401) await signInAgain();
    } catch { /* no connection: it shows when something is sent */ }
}
if (who) {
    document.addEventListener('visibilitychange', look);
    window.addEventListener('focus', look);
    setInterval(look, 240000);
}
