<?php

declare(strict_types=1);

use Unanimus\Files\ClosingCheck;
use Unanimus\Files\FileRefusal;
use Unanimus\Review\ReviewPlan;
use Unanimus\Steps\StepRefused;

const PLANNED_STAGES = ['agency', 'offer', 'closing'];

it('asks two readers of a stage, or of an agent’s files, but of nothing that nobody reads', function (
    array $kept,
    string $stage,
    array $agents,
    bool $second,
) {
    expect(ReviewPlan::of($kept, PLANNED_STAGES)->needsSecond($stage, $agents))->toBe($second);
})->with([
    [[], 'offer', ['A'], false],
    [['second' => ['offer']], 'offer', [], true],
    [['second' => ['offer']], 'agency', [], false],
    [['agents' => ['A']], 'agency', ['B', 'A'], true],
    [['agents' => ['A']], 'agency', ['B'], false],
    [['agents' => ['A'], 'none' => ['agency']], 'agency', ['A'], false],
]);

it('is stored as it was, without what cannot be', function () {
    $kept = ['none' => ['offer', 'nowhere'], 'second' => ['offer', 'closing'], 'spot' => 900, 'agents' => ['A', 3], 'whole' => 1];
    $stored = ['none' => ['offer'], 'second' => ['closing'], 'spot' => 100, 'agents' => ['A'], 'whole' => true];
    foreach ([$kept, $stored] as $from) {
        expect(ReviewPlan::of($from, PLANNED_STAGES)->toArray())->toBe($stored);
    }
});

it('closes a file only when all is settled, where the office asks for that', function () {
    ClosingCheck::whole(0);
    $refused = static fn (StepRefused $refused) => expect($refused->reason)->toBe(FileRefusal::NotSettled);
    expect(static fn () => ClosingCheck::whole(2))->toThrow($refused);
});
