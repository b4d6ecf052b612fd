<?php

declare(strict_types=1);

use Tests\Support\RuledPage;

/** @return array<string, array{list<string>, string}> rows of a page and what they ask for, by what they try */
function plainBlocks(): array
{
    $blocks = [];
    foreach (explode("\n\n", trim((string) file_get_contents(__DIR__.'/plain-blocks.txt'))) as $block) {
        $rows = explode("\n", $block);
        [$name, $expected] = [(string) array_shift($rows), (string) array_pop($rows)];
        $rows = array_map(fn (string $row) => $row === '.' ? '' : $row, $rows);
        $blocks[substr($name, 2)] = [array_values($rows), trim(substr($expected, 1))];
    }

    return $blocks;
}

// How those who sign are asked for, one way after the other, as it stands on forms of many offices: plain-blocks.txt.
it('reads who signs, initials and dates', function (array $rows, string $expected) {
    $seats = ['buyer.1', 'buyer.2', 'seller.1', 'seller.2', 'agent.1', 'broker.1'];
    expect(preg_replace('/ \d+(?=,|$)/', '', RuledPage::asks(RuledPage::typed($rows), $seats)))->toBe($expected);
})->with(plainBlocks());
