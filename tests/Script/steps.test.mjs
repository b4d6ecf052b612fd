import assert from 'node:assert/strict';
import { beforeEach, test } from 'node:test';
import { FakePage } from './page.mjs';

new FakePage();
globalThis.setInterval = () => 0;
const { newStep, turnStep } = await import('../../resources/js/compose/steps.js');

const taken = [];
let isFree = true;

beforeEach(() => {
    isFree = true;
    turnStep.by = (way) => isFree && taken.push(way) > 0;
    turnStep.next();
    taken.length = 0;
});

test('what is moved bit by bit is one step, until something else is done', () => {
    const first = newStep('A');
    assert.equal(newStep('A'), first);
    assert.notEqual(newStep('B'), first);
    newStep();
    assert.notEqual(newStep('A'), first);
});

test('what was moved before a step was taken back is another step after it', () => {
    const first = newStep('A');
    turnStep('back');
    assert.notEqual(newStep('A'), first);
});

test('whoever presses twice before the first is stored takes two steps back, one after the other', () => {
    isFree = false;
    turnStep('back');
    turnStep('back');
    assert.deepEqual(taken, []);
    isFree = true;
    turnStep.next();
    assert.deepEqual(taken, ['back']);
    turnStep.next();
    turnStep.next();
    assert.deepEqual(taken, ['back', 'back']);
});
