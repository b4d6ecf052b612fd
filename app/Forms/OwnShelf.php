<?php

declare(strict_types=1);

namespace App\Forms;

use App\Access\Sight;
use App\Forms\Models\OwnForm;
use Unanimus\Forms\Form;
use Unanimus\Forms\FormShelf;

/** The forms of the house for which the running transaction works. */
final class OwnShelf implements FormShelf
{
    private const FOUND = ['in_force', 'superseded', 'retired'];

    /** @var array<string, Form|null> */
    private array $known = [];

    private int $turn = -1;

    public function find(string $number, ?string $revision = null): ?Form
    {
        $this->forgetOthers();
        $name = $number.' '.($revision ?? '');
        if (! array_key_exists($name, $this->known)) {
            $own = OwnForm::query()->where('number', $number)->when($revision, static fn ($query) => $query->where('revision', $revision)->whereIn('status', self::FOUND), static fn ($query) => $query->whereIn('status', ['in_force', 'retired']))->first();
            $this->known[$name] = $own?->form();
        }

        return $this->known[$name];
    }

    public function all(): array
    {
        return array_values(OwnForm::query()->where('status', 'in_force')->orderBy('number')->get()->map(static fn (OwnForm $own) => $own->form())->all());
    }

    /** What was read for one house or state of it is not read for the next. */
    public function forget(): void
    {
        $this->known = [];
    }

    private function forgetOthers(): void
    {
        if ($this->turn !== Sight::$turn) {
            $this->turn = Sight::$turn;
            $this->forget();
        }
    }
}
