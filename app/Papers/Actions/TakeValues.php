<?php

declare(strict_types=1);

namespace App\Papers\Actions;

use App\Models\Paper;
use App\Terms\FactBook;
use Unanimus\Files\PaperRefusal;
use Unanimus\Forms\Filling;
use Unanimus\Forms\FormRefusal;
use Unanimus\Steps\StepRefused;
use Unanimus\Terms\EntryUnreadable;
use Unanimus\Terms\Kind;

/** Takes values that came from outside, as XFDF or in a filled PDF, into the blanks of a draft. */
final class TakeValues
{
    public function __construct(private readonly StoreEntry $store)
    {
    }

    /**
     * @param array<string, string> $values by name of the blank
     * @param string $key of this taking, so that the same file twice changes nothing
     * @return array{int, list<string>} how many blanks changed, and what was not taken, in words
     *
     * @throws StepRefused when the paper takes no entries, or nothing in the file belongs to it
     */
    public function __invoke(Paper $paper, array $values, string $key): array
    {
        $form = $paper->form();
        if ($form === null || ! $paper->isDraft()) {
            throw PaperRefusal::NoLongerFilled->because();
        }
        $known = array_filter($values, static fn (string $name) => $form->blank($name) !== null, ARRAY_FILTER_USE_KEY);
        if ($known === []) {
            throw FormRefusal::NothingBelongs->because(number: $form->number, title: $form->title);
        }
        $filling = Filling::of($form, $paper->load('values')->entries(), FactBook::of($paper->file));
        $changed = 0;
        $left = [];
        foreach ($known as $name => $value) {
            $filled = $filling->blanks[$name];
            $kind = $filled->blank->kind;
            $typed = $kind === Kind::Tick ? (in_array($value, ['', 'Off', '/Off'], true) ? '' : 'x') : $value;
            if ($typed === $kind->show($filled->value) || $typed === $filled->value) {
                continue;
            }
            try {
                ($this->store)($paper, $name, $typed, "in:{$key}:{$name}");
                $changed++;
            } catch (EntryUnreadable $unreadable) {
                $left[] = "{$filled->blank->label}: {$unreadable->getMessage()}";
            }
        }
        $strange = array_keys(array_diff_key($values, $known));
        if ($strange !== []) {
            $left[] =
                (count($strange) === 1 ? 'One field is' : count($strange).' fields are').
                ' not on this form: '.
                implode(', ', array_slice($strange, 0, 5)).
                (count($strange) > 5 ? ' …' : '').
                '.';
        }

        return [$changed, $left];
    }
}
