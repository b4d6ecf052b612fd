// The signer's page: from mark to mark with one big control. Each mark is stored as it is made.

import { at, element } from './on-page.js';
import { proof } from './proof.js';
import { upload } from './uploading.js';
import { newKey } from './shelf.js';

const root = document.querySelector('[data-sign]');

if (root?.dataset.sign === 'marks') marks();
if (root?.dataset.sign === 'adopt') adopt();

function marks() {
    const find = (id) => document.querySelector(id);
    const [go, skip, left, said, entry, text] = ['#go', '#skip', '#left', '#said', '#entry', '#entry-text'].map(find);
    const words = JSON.parse(root.dataset.words);
    const skipped = new Set();
    const mine = () => [...document.querySelectorAll('.mark.mine')];
    const is = (mark, state) => mark.classList.contains(state);
    const atHand = () => go.dataset.at && find(`[data-mark="${go.dataset.at}"]`);
    // Of places of which only one may stand, none is left once one does.
    const isSettled = (mark) => is(mark, 'made') || is(mark, 'unasked') ||
        mark.dataset.group !== '' && mine().some((one) => one.dataset.group === mark.dataset.group && is(one, 'made'));
    const asks = [...document.querySelectorAll('[data-add]')];
    const toAdd = () => asks.filter((ask) => !is(ask, 'made') && !is(ask, 'optional'));
    const open = () => mine().filter((mark) => !isSettled(mark) && !(is(mark, 'optional') && skipped.has(mark.dataset.mark)));
    const owed = () => mine().filter((mark) => !isSettled(mark) && !is(mark, 'optional'))
        .filter((mark, index, all) => mark.dataset.group === '' || all.findIndex((one) => one.dataset.group === mark.dataset.group) === index);
    // A double tap means one thing: what the control says next is not answered by it.
    let deaf = 0;
    const rest = (milliseconds) => { deaf = performance.now() + milliseconds; };
    // What is typed and not stored yet is there again after the page was left.
    const kept = (mark) => `unanimus:typed:${mark.dataset.mark}`;

    function paint() {
        const count = owed().length;
        left.textContent = count === 0 ? (toAdd().length ? words.add_left : words.done) : count === 1 ? words.one : words.many.replace(':count', count);
        go.textContent = open().length === 0 ? (toAdd().length ? words.add : words.finish) : open().length === mine().length ? words.start : words.next;
        skip.hidden = true;
        entry.hidden = true;
    }

    const larger = find('#larger');
    larger.addEventListener('click', () => {
        larger.setAttribute('aria-pressed', root.classList.toggle('larger'));
        atHand()?.scrollIntoView({ block: 'center', inline: 'center' });
    });

    // What the one large control does at a place.
    function offer(mark) {
        const { kind, format, hint } = mark.dataset;
        go.dataset.at = mark.dataset.mark;
        go.textContent = { signature: words.sign, initials: words.initial, text: words.save, strike: is(mark, 'made') ? words.unstrike : words.strike }[kind]
            ?? (is(mark, 'made') ? words.uncheck : words.check);
        skip.hidden = !is(mark, 'optional') || is(mark, 'made');
        entry.hidden = kind !== 'text' && hint === '';
        entry.querySelector('label').textContent = hint || words.answer;
        text.hidden = kind !== 'text';
        if (kind !== 'text') return;
        text.rows = format === 'lines' ? 4 : 1;
        text.inputMode = { number: 'decimal', money: 'decimal', email: 'email', phone: 'tel' }[format] ?? 'text';
        // What is private is neither kept on the device nor shown again.
        text.value = mark.dataset.private ? '' : localStorage.getItem(kept(mark)) ?? mark.dataset.value;
    }

    function to(mark) {
        mark.scrollIntoView({ block: 'center', inline: 'center', behavior: matchMedia('(prefers-reduced-motion: reduce)').matches ? 'auto' : 'smooth' });
        mark.focus({ preventScroll: true });
        offer(mark);
        if (mark.dataset.kind === 'text') text.focus({ preventScroll: true });
        rest(180);
    }

    function onward() {
        delete go.dataset.at;
        paint();
        const next = open()[0];
        if (next) return to(next);
        rest(450);
        go.focus();
    }

    // How the places stand: one may have taken the place of another, or ask for one that was not asked for.
    function take(places) {
        for (const mark of mine()) {
            const place = places[mark.dataset.mark];
            if (!place) continue;
            const isMade = place.drawn !== '';
            mark.classList.toggle('unasked', !place.asked);
            if (isMade !== is(mark, 'made')) {
                const label = mark.getAttribute('aria-label').replace(`, ${words.made}`, '');
                mark.setAttribute('aria-label', isMade ? `${label}, ${words.made}` : label);
            }
            mark.classList.toggle('made', isMade);
            mark.querySelector('.drawn').innerHTML = place.drawn;
        }
    }

    async function tell(mark, method, body = {}) {
        if (mark.dataset.busy) return false;
        mark.dataset.busy = '1';
        said.hidden = true;
        try {
            const answer = await fetch(`${root.dataset.url}/marks/${mark.dataset.mark}`, {
                method,
                headers: { 'Content-Type': 'application/json', Accept: 'application/json', ...proof() },
                body: JSON.stringify({ ...body, once: newKey() }),
            });
            const told = await answer.json().catch(() => ({}));
            if (!answer.ok) throw new Error(answer.status === 419 ? words.old : told.message || words.failed);
            take(told.places);
            return true;
        } catch (fault) {
            said.textContent = fault instanceof TypeError ? words.offline : fault.message;
            said.hidden = false;
            return false;
        } finally {
            delete mark.dataset.busy;
        }
    }

    async function make(mark) {
        const { kind } = mark.dataset;
        if (mark.dataset.private && is(mark, 'made') && text.value.trim() === '') return onward();
        const isBack = kind === 'tick' || kind === 'strike' ? is(mark, 'made') : kind === 'text' && is(mark, 'made') && text.value.trim() === '';
        if (is(mark, 'unasked') || is(mark, 'made') && !['tick', 'strike', 'text'].includes(kind)) return;
        const value = kind === 'text' ? text.value : undefined;
        if (!await tell(mark, isBack ? 'DELETE' : 'POST', { value })) return;
        mark.dataset.value = isBack || mark.dataset.private ? '' : value ?? '';
        localStorage.removeItem(kept(mark));
        if (isBack && is(mark, 'optional')) skipped.add(mark.dataset.mark);
        onward();
    }

    // A text is typed first; whatever else is made at once.
    const press = (mark) => (mark.dataset.kind === 'text' ? to(mark) : make(mark));
    for (const mark of mine()) {
        mark.addEventListener('click', () => press(mark));
        mark.addEventListener('keydown', (event) => {
            if (event.key === 'Enter' || event.key === ' ') {
                event.preventDefault();
                press(mark);
            }
        });
        mark.addEventListener('focus', () => {
            if (!is(mark, 'made') || ['tick', 'strike', 'text'].includes(mark.dataset.kind)) offer(mark);
        });
    }
    text.addEventListener('input', () => {
        try {
            if (atHand() && !atHand().dataset.private) localStorage.setItem(kept(atHand()), text.value);
        } catch { /* it is stored when it is saved */ }
    });
    text.addEventListener('keydown', (event) => {
        if (event.key !== 'Enter' || event.shiftKey || event.isComposing || atHand()?.dataset.format === 'lines') return;
        event.preventDefault();
        if (!event.repeat && atHand()) make(atHand());
    });
    skip.addEventListener('click', () => {
        if (performance.now() < deaf || !atHand()) return;
        skipped.add(go.dataset.at);
        onward();
    });
    go.addEventListener('click', () => {
        if (performance.now() < deaf) return;
        const mark = atHand();
        if (mark && (mark.dataset.kind === 'text' || !is(mark, 'made'))) return make(mark);
        const next = open()[0];
        if (next) return to(next);
        if (toAdd().length) return toAdd()[0].scrollIntoView({ block: 'center' }), toAdd()[0].querySelector('input[type=file]').focus();
        if (!go.dataset.sent) {
            go.dataset.sent = '1';
            find('#finish').submit();
        }
    });
    asks.forEach((ask) => addsPaper(ask, words, paint));
    paint();
}

// A paper that is asked for: sent as soon as it is chosen, and told when it is there. A lost answer is asked for again under its key.
function addsPaper(form, words, after) {
    const input = form.querySelector('input[type=file]');
    const told = form.querySelector('.added');
    input.addEventListener('change', async () => {
        const file = input.files[0];
        if (!file || form.dataset.busy) return;
        form.dataset.busy = '1';
        told.className = 'added';
        const once = newKey();
        let answer = null;
        for (let tries = 0; tries < 4 && (!answer || answer.status >= 500); tries++) {
            if (tries) await new Promise((done) => setTimeout(done, 1000 * tries));
            answer = await sent(form, file, once, (percent) => { told.textContent = words.sending.replace(':percent', percent); });
        }
        delete form.dataset.busy;
        input.value = '';
        if (answer?.status === 200) {
            form.classList.add('made');
            told.textContent = words.added.replace(':name', answer.body.name);
        } else {
            told.textContent = answer?.body.message || words.lost;
            told.classList.add('late');
        }
        after();
    });
}

function sent(form, file, once, progress) {
    const data = new FormData();
    data.append('once', once);
    data.append('paper', file);
    return upload(form.action, data, progress);
}

function adopt() {
    const name = document.querySelector('#adopt-name');
    const show = () => document.querySelectorAll('.hand').forEach((place) => { place.textContent = name.value || ' '; });
    name.addEventListener('input', show);
    const pad = document.querySelector('.pad-field');
    const field = document.querySelector('#strokes');
    const strokes = [];
    let stroke = null;
    const point = (event) => at(pad, event).map(Math.round);
    const picture = document.querySelector('#picture');
    // One way at a time: what is drawn or photographed takes the place of the style, and the other way round.
    const styles = [...document.querySelectorAll('[name=hand]')];
    let style = styles.find((one) => one.checked) || styles[0];
    const ownHand = (is) => { style.checked = !is; };
    const draw = () => {
        picture.value = '';
        pad.querySelectorAll('.ink').forEach((old) => old.remove());
        for (const line of strokes) {
            pad.append(element('path', { class: 'ink', d: line.map(([x, y], index) => `${index ? 'L' : 'M'}${x} ${y}`).join('') }));
        }
        field.value = strokes.length ? JSON.stringify(strokes) : '';
        ownHand(strokes.length > 0);
    };
    pad.addEventListener('pointerdown', (event) => {
        event.preventDefault();
        pad.setPointerCapture(event.pointerId);
        stroke = [point(event)];
        strokes.push(stroke);
    });
    pad.addEventListener('pointermove', (event) => {
        if (!stroke) return;
        stroke.push(point(event));
        draw();
    });
    const end = () => { stroke = null; };
    pad.addEventListener('pointerup', end);
    pad.addEventListener('pointercancel', end);
    const photo = document.querySelector('#photo');
    const told = document.querySelector('#picture-told');
    document.querySelector('#clear').addEventListener('click', () => {
        strokes.length = 0;
        told.textContent = '';
        draw();
    });
    styles.forEach((one) => one.addEventListener('change', () => {
        style = one;
        strokes.length = 0;
        draw();
    }));
    photo.closest('label').hidden = false;
    photo.addEventListener('change', async () => {
        if (!photo.files[0]) return;
        told.textContent = photo.dataset.reading;
        const data = new FormData();
        data.append('picture', await smaller(photo.files[0]), 'signature');
        photo.value = '';
        const answer = await fetch(photo.dataset.to, { method: 'POST', headers: { Accept: 'application/json', ...proof() }, body: data }).catch(() => null);
        const read = await answer?.json().catch(() => null);
        if (!answer?.ok || !read?.picture) {
            told.textContent = read?.message || photo.dataset.lost;
            return;
        }
        told.textContent = '';
        strokes.length = 0;
        draw();
        picture.value = JSON.stringify(read.picture);
        ownHand(true);
        const ink = element('g', { class: 'ink picture' });
        ink.innerHTML = read.drawn;
        pad.append(ink);
    });
}

// A photo of twelve megapixels is sent as large as it is looked at; what the browser cannot open goes as it is.
async function smaller(file) {
    try {
        const whole = await createImageBitmap(file);
        const scale = Math.min(1, 1600 / Math.max(whole.width, whole.height));
        if (scale === 1) return file;
        const canvas = document.createElement('canvas');
        [canvas.width, canvas.height] = [Math.round(whole.width * scale), Math.round(whole.height * scale)];
        canvas.getContext('2d').drawImage(whole, 0, 0, canvas.width, canvas.height);
        return await new Promise((done) => canvas.toBlob((blob) => done(blob || file), 'image/jpeg', 0.9));
    } catch {
        return file;
    }
}
