// The signer's page: from mark to mark with one big control. Each mark is stored as it is made.

import { at, element } from './on-page.js';
import { proof } from './proof.js';

const root = document.querySelector('[data-sign]');

if (root?.dataset.sign === 'marks') marks();
if (root?.dataset.sign === 'adopt') adopt();

function marks() {
    const go = document.querySelector('#go');
    const left = document.querySelector('#left');
    const said = document.querySelector('#said');
    const mine = () => [...document.querySelectorAll('.mark.mine')];
    const open = () => mine().filter((mark) => !mark.classList.contains('made'));
    const words = JSON.parse(root.dataset.words);
    // A double tap means one thing: what the control says next is not answered by it.
    let deaf = 0;
    const rest = (milliseconds) => { deaf = performance.now() + milliseconds; };

    function paint() {
        const count = open().length;
        left.textContent = count === 0 ? words.done : count === 1 ? words.one : words.many.replace(':count', count);
        go.textContent = count === 0 ? words.finish : open().length === mine().length ? words.start : words.next;
    }

    const larger = document.querySelector('#larger');
    larger.addEventListener('click', () => {
        larger.setAttribute('aria-pressed', root.classList.toggle('larger'));
        const at = go.dataset.at && document.querySelector(`[data-mark="${go.dataset.at}"]`);
        at?.scrollIntoView({ block: 'center', inline: 'center' });
    });

    function to(mark) {
        mark.scrollIntoView({ block: 'center', inline: 'center', behavior: matchMedia('(prefers-reduced-motion: reduce)').matches ? 'auto' : 'smooth' });
        mark.focus({ preventScroll: true });
        go.textContent = mark.dataset.kind === 'signature' ? words.sign : words.initial;
        go.dataset.at = mark.dataset.mark;
        rest(180);
    }

    async function make(mark) {
        if (mark.classList.contains('made') || mark.dataset.busy) return;
        mark.dataset.busy = '1';
        said.hidden = true;
        try {
            const answer = await fetch(`${root.dataset.url}/marks/${mark.dataset.mark}`, { method: 'POST', headers: { Accept: 'application/json', ...proof() } });
            const body = await answer.json().catch(() => ({}));
            if (!answer.ok) throw new Error(answer.status === 419 ? words.old : body.message || words.failed);
            mark.classList.add('made');
            mark.setAttribute('aria-label', `${mark.getAttribute('aria-label')}, ${words.made}`);
            mark.querySelector('.drawn').innerHTML = body.drawn;
        } catch (fault) {
            said.textContent = fault instanceof TypeError ? words.offline : fault.message;
            said.hidden = false;
            return;
        } finally {
            delete mark.dataset.busy;
        }
        delete go.dataset.at;
        paint();
        const next = open()[0];
        if (next) return to(next);
        rest(450);
        go.focus();
    }

    for (const mark of mine()) {
        mark.addEventListener('click', () => make(mark));
        mark.addEventListener('keydown', (event) => {
            if (event.key === 'Enter' || event.key === ' ') {
                event.preventDefault();
                make(mark);
            }
        });
        mark.addEventListener('focus', () => {
            if (!mark.classList.contains('made')) {
                go.dataset.at = mark.dataset.mark;
                go.textContent = mark.dataset.kind === 'signature' ? words.sign : words.initial;
            }
        });
    }
    go.addEventListener('click', () => {
        if (performance.now() < deaf) return;
        const at = go.dataset.at && document.querySelector(`[data-mark="${go.dataset.at}"]`);
        if (at && !at.classList.contains('made')) return make(at);
        const next = open()[0];
        if (next) return to(next);
        if (!go.dataset.sent) {
            go.dataset.sent = '1';
            document.querySelector('#finish').submit();
        }
    });
    paint();
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
    const draw = () => {
        pad.querySelectorAll('.ink').forEach((old) => old.remove());
        for (const line of strokes) {
            pad.append(element('path', { class: 'ink', d: line.map(([x, y], index) => `${index ? 'L' : 'M'}${x} ${y}`).join('') }));
        }
        field.value = strokes.length ? JSON.stringify(strokes) : '';
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
    document.querySelector('#clear').addEventListener('click', () => {
        strokes.length = 0;
        draw();
    });
}
