// What was done goes to the server in order, each with a key of its own, so that it is stored once. While there is no
// connection it waits on the device, also over a crash of the browser.

export function newKey() {
    return crypto.randomUUID ? crypto.randomUUID() : `${Date.now().toString(36)}-${Math.random().toString(36).slice(2, 12)}`;
}

export function waitingLine({ shelf, url, noun, told, stored, refused }) {
    const token = document.querySelector('meta[name=csrf-token]').content;
    const all = () => JSON.parse(localStorage.getItem(shelf) || '[]');
    const keep = (line) => (line.length ? localStorage.setItem(shelf, JSON.stringify(line)) : localStorage.removeItem(shelf));
    let sending = false;

    async function send() {
        if (sending) return;
        sending = true;
        try {
            for (let line = all(); line.length; line = all()) {
                const held = (why) => told(`${line.length === 1 ? `one ${noun} waits` : `${line.length} ${noun}s wait`} on this device: ${why}`, true);
                let answer;
                try {
                    answer = await fetch(url, { method: 'POST', headers: { 'Content-Type': 'application/json', Accept: 'application/json', 'X-CSRF-TOKEN': token }, body: JSON.stringify(line[0]) });
                } catch {
                    return held('no connection');
                }
                if (answer.status === 419 || answer.status === 401) return held('sign in again in another tab');
                if (answer.status >= 500 || answer.status === 429) return held('the server is busy');
                keep(all().filter((other) => other.key !== line[0].key));
                const body = await answer.json();
                if (answer.ok) stored(body, line[0]);
                else refused(body.message || 'This was not stored.', line[0]);
            }
        } finally {
            sending = false;
        }
    }

    window.addEventListener('online', send);
    setInterval(() => all().length && send(), 4000);

    return {
        all,
        send,
        add(what) {
            const key = newKey();
            keep([...all(), { key, ...what }]);
            send();
            return key;
        },
    };
}
