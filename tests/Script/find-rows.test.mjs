import assert from 'node:assert/strict';
import { test } from 'node:test';
import { has, plain } from '../../resources/js/find-rows.js';

test('compares letters without accents and capitals', () => {
    assert.equal(plain('Nguyễn-Ortiz'), 'nguyen-ortiz');
});

test('finds a row that has every word, in any order, also begun ones', () => {
    assert.ok(has('Tomás Reyes-Whitlock agent Tidewick', 'tide tomas'));
    assert.ok(!has('Tomás Reyes-Whitlock agent Tidewick', 'tomas broker'));
    assert.ok(has('anything', ''));
});
