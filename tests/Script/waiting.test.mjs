import assert from 'node:assert/strict';
import { afterEach, test } from 'node:test';
import { FakePage } from './page.mjs';

const page = new FakePage();
// What looks again by itself would keep this process from ending.
globalThis.setInterval = () => 0;
const { waitingLine } = await import('../../resources/js/waiting.js');
const { held, sendAgain, discard } = await import('../../resources/js/shelf.js');

const settled = () => new Promise((done) => setTimeout(done, 20));

function line() {
    const said = { told: [], stored: [], refused: [] };
    const made = waitingLine({
        shelf: 'entries:01',
        url: '/papers/01/entries',
        noun: 'entry',
        says: (what) => what.blank,
        told: (words) => said.told.push(words),
        stored: (body, entry) => said.stored.push(entry.value),
        refused: (why) => said.refused.push(why),
    });
    return { ...made, said };
}

afterEach(() => {
    page.stored.clear();
    page.asked.length = 0;
    page.answers.length = 0;
});

test('what is entered is on the device before it is sent, and gone once it is saved', async () => {
    const one = line();
    page.answers.push([200, { ok: 1 }]);
    one.add({ blank: 'price', value: '1' });
    assert.equal(page.kept().length, 1);
    await settled();
    assert.deepEqual(one.said.stored, ['1']);
    assert.equal(page.kept().length, 0);
});

test('entries go in order, each with a key of its own, also after an outage', async () => {
    const one = line();
    page.answers.push('offline');
    one.add({ blank: 'a', value: '1' });
    await settled();
    one.said.told.length = 0;
    page.answers.push('offline');
    one.add({ blank: 'b', value: '2' });
    await settled();
    assert.equal(one.said.told.at(-1), '2 entries not saved yet: no connection');
    assert.equal(one.waits(), 2);
    const keys = page.kept().map((entry) => entry.key);
    page.asked.length = 0;
    page.answers.push([200, {}], [200, {}]);
    await one.send();
    assert.deepEqual(
        page.asked.map((body) => body.value),
        ['1', '2'],
    );
    assert.deepEqual(
        page.asked.map((body) => body.key),
        keys,
    );
    assert.equal(new Set(keys).size, 2);
});

test('an entry whose answer was lost is sent again under the same key', async () => {
    const one = line();
    page.answers.push('offline');
    one.add({ blank: 'a', value: '1' });
    await settled();
    page.answers.push([200, {}]);
    await one.send();
    assert.equal(page.asked[0].key, page.asked[1].key);
});

test('what is refused stays with its reason and is not sent by itself; what comes after it goes', async () => {
    const one = line();
    page.answers.push([422, { message: 'This is not an amount.' }], [200, {}]);
    one.add({ blank: 'a', value: 'much' });
    one.add({ blank: 'b', value: '2' });
    await settled();
    assert.deepEqual(one.said.refused, ['This is not an amount.']);
    assert.deepEqual(one.said.stored, ['2']);
    assert.equal(one.waits(), 0);
    assert.equal(page.kept()[0].refused, 'This is not an amount.');
    page.asked.length = 0;
    await one.send();
    assert.equal(page.asked.length, 0);
});

for (const [status, body, words] of [
    [503, {}, 'the server is busy'],
    [429, {}, 'the server is busy'],
    [507, {}, 'the server is out of disk space'],
    [200, null, 'the answer could not be read'],
    [419, {}, 'sign in again'],
]) {
    test(`an answer of ${status} keeps the entry: ${words}`, async () => {
        const one = line();
        page.answers.push([status, body]);
        one.add({ blank: 'a', value: '1' });
        await settled();
        assert.equal(one.said.told.at(-1), `1 entry not saved yet: ${words}`);
        assert.equal(one.waits(), 1);
        assert.equal(page.kept().length, 1);
    });
}

test('where another has entered something, what they entered is kept with the refusal, and sending again says it was seen', async () => {
    const one = line();
    page.answers.push([409, { message: 'Ines entered “3”.', theirs: '3', who: 'Ines' }]);
    one.add({ blank: 'a', value: '1', seen: '' });
    await settled();
    assert.equal(page.kept()[0].answer.theirs, '3');
    location.pathname = '/files';
    page.answers.push([200, {}]);
    assert.equal(await sendAgain(held()[0]), null);
    assert.equal(page.asked.at(-1).seen, '3');
    assert.equal(page.kept().length, 0);
    location.pathname = '/papers/01';
});

test('what is discarded is gone, and only that', async () => {
    const one = line();
    page.answers.push([422, { message: 'no' }], [422, { message: 'no' }]);
    one.add({ blank: 'a', value: '1' });
    one.add({ blank: 'b', value: '2' });
    await settled();
    discard(held().find((entry) => entry.says === 'a'));
    assert.deepEqual(
        page.kept().map((entry) => entry.says),
        ['b'],
    );
});

test('a browser that keeps nothing still sends', async () => {
    const one = line();
    const put = localStorage.setItem;
    localStorage.setItem = () => {
        throw new DOMException('full');
    };
    page.answers.push([200, {}]);
    one.add({ blank: 'a', value: '1' });
    await settled();
    localStorage.setItem = put;
    assert.deepEqual(one.said.stored, ['1']);
});
