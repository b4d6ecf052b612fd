<?php

declare(strict_types=1);

namespace App\Forms;

use App\Models\OwnForm;
use App\Models\Sight;
use App\Storage\Bytes;
use Unanimus\Forms\Form;
use Unanimus\Forms\FormShelf;

/** The forms of the brokerage for which the running transaction works. */
final class OwnShelf implements FormShelf
{
    private const FOUND = ['in_force', 'superseded', 'retired'];

    /** @var array<string, Form|null> */
    private array $known = [];

    private int $epoch = -1;

    public function find(string $number, ?string $revision = null): ?Form
    {
        $this->forgetOthers();
        $name = $number.' '.($revision ?? '');
        if (! array_key_exists($name, $this->known)) {
            $own = OwnForm::query()
                ->where('number', $number)
                ->when(
                    $revision,
                    static fn ($query) => $query->where('revision', $revision)->whereIn('status', self::FOUND),
                    static fn ($query) => $query->whereIn('status', ['in_force', 'retired']),
                )
                ->first();
            $this->known[$name] = $own === null ? null : self::form($own);
        }

        return $this->known[$name];
    }

    public function all(): array
    {
        return array_values(OwnForm::query()->where('status', 'in_force')->orderBy('number')->get()->map(self::form(...))->all());
    }

    /** @throws \Unanimus\Forms\DraftRefused when something is still to be put right */
    public static function form(OwnForm $own): Form
    {
        $said = [
            $own->number,
            $own->revision,
            $own->title,
            OwnForm::SET,
            $own->stage,
            app(Bytes::class)->path($own->sha256),
            $own->status === 'retired',
        ];

        return $own->isInTheMaking() ? $own->draft()->form(...$said) : $own->draft()->built(...$said);
    }

    /** What was read for one brokerage or state of it is not read for the next. */
    public function forget(): void
    {
        $this->known = [];
    }

    private function forgetOthers(): void
    {
        if ($this->epoch !== Sight::$epoch) {
            $this->epoch = Sight::$epoch;
            $this->forget();
        }
    }
}
