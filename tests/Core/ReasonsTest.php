<?php

declare(strict_types=1);

use Unanimus\Files\PaperRefusal;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Steps\EntryRefusal;
use Unanimus\Steps\Reason;
use Unanimus\Steps\StepRefused;

/** @return list<Reason> every reason there is */
function reasons(): array
{
    $all = [];
    foreach (glob(dirname(__DIR__, 2).'/core/*/*Refusal.php') ?: [] as $path) {
        $class = 'Unanimus\\'.basename(dirname($path)).'\\'.basename($path, '.php');
        assert(is_subclass_of($class, Reason::class));
        array_push($all, ...$class::cases());
    }

    return $all;
}

it('names each reason once, in the words of its area', function () {
    $values = array_map(static fn (Reason $reason) => $reason->value, reasons());
    expect(count($values))
        ->toBeGreaterThan(150)
        ->and(array_unique($values))
        ->toHaveCount(count($values))
        ->and(array_filter($values, static fn ($value) => preg_match('/^[a-z]+\.[a-z-]+$/', (string) $value) !== 1))
        ->toBe([]);
});

it('tells each reason in a sentence, with what is put in', function () {
    foreach (reasons() as $reason) {
        preg_match_all('/\{(\w+)\}/', $reason->words(), $names);
        $told = $reason->because(...array_fill_keys($names[1], 'Addendum'));
        expect($told->reason)
            ->toBe($reason)
            ->and($told->getMessage())
            ->not->toContain('{')
            ->and($told->getMessage())
            ->toMatch('/^([\p{Lu}\d“].*[.…]|.*Addendum)$/u');
    }
});

it('does not tell a sentence with a hole in it, and fills in what it is given as it is', function () {
    expect(fn () => PaperRefusal::IsOut->because())
        ->toThrow(LogicException::class, 'title')
        ->and(fn () => SigningRefusal::NotYet->because(title: 'Addendum'))
        ->toThrow(LogicException::class)
        ->and(PaperRefusal::CalledFor->because(title: '{reason}', reason: 'built before 1978')->getMessage())
        ->toStartWith('“{reason}” is required: built before 1978.');
});

it('says of what cannot be read what was understood and what is kept', function () {
    $unreadable = new InvalidArgumentException('“soon” is no day.');
    $refused = StepRefused::unreadable($unreadable, 'The date stays as it is.', 'Closing');
    expect($refused->getMessage())
        ->toBe('Closing: “soon” is no day. The date stays as it is.')
        ->and($refused->reason)
        ->toBe(EntryRefusal::Unreadable)
        ->and($refused->getPrevious())
        ->toBe($unreadable)
        ->and(StepRefused::unreadable($unreadable)->getMessage())
        ->toBe('“soon” is no day.');
});
