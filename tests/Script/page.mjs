// As much of a page as the queue of waiting entries needs: storage, a document, a window, and a server that answers as told.

export class FakePage {
    constructor({ person = 'tomas' } = {}) {
        this.stored = new Map();
        this.answers = [];
        this.asked = [];
        const listeners = new Map();
        const on = (name, call) => listeners.set(name, [...(listeners.get(name) ?? []), call]);
        const fire = (event) => (listeners.get(event.type) ?? []).forEach((call) => call(event));
        const meta = { who: person, 'csrf-token': 'token' };
        const dialog = null;
        globalThis.localStorage = {
            getItem: (key) => this.stored.get(key) ?? null,
            setItem: (key, value) => this.stored.set(key, value),
            removeItem: (key) => this.stored.delete(key),
            key: (index) => [...this.stored.keys()][index] ?? null,
            get length() {
                return globalThis.page.stored.size;
            },
        };
        globalThis.document = {
            title: 'Paper · Unanimus',
            cookie: '',
            hidden: false,
            body: { dataset: {} },
            querySelector: (selector) => {
                const name = selector.match(/^meta\[name=([\w-]+)\]$/)?.[1];
                return name ? { content: meta[name] } : selector === '#again' ? dialog : null;
            },
            querySelectorAll: () => [],
            addEventListener: on,
            dispatchEvent: fire,
        };
        globalThis.window = { addEventListener: on };
        globalThis.location = {
            pathname: '/papers/01',
            reload: () => {
                this.reloaded = true;
            },
        };
        globalThis.fetch = async (url, options = {}) => {
            if (String(url).endsWith('/sign-in/standing')) return this.answer(401, {});
            this.asked.push({ url, ...JSON.parse(options.body ?? '{}') });
            const next = this.answers.shift();
            if (next === undefined || next === 'offline') throw new TypeError('fetch failed');
            return this.answer(...next);
        };
        globalThis.page = this;
    }

    answer(status, body) {
        return {
            status,
            ok: status < 300,
            json: async () => {
                if (body === null) throw new SyntaxError('no JSON');
                return body;
            },
            headers: { get: () => null },
        };
    }

    // What is kept on the device, without whose it is and where it was entered.
    kept() {
        return [...this.stored.values()].map((text) => JSON.parse(text));
    }
}
