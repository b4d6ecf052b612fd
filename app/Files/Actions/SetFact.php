<?php

declare(strict_types=1);

namespace App\Files\Actions;

use App\Files\Jobs\PrintListing;
use App\History\History;
use App\Models\DealFile;
use App\Requirements\Actions\ApplyKit;
use App\Terms\FieldText;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\DealStatus;
use Unanimus\Files\SeenBy;
use Unanimus\Steps\StepRefused;
use Unanimus\Terms\Address;
use Unanimus\Terms\EntryUnreadable;
use Unanimus\Terms\Fact;
use Unanimus\Terms\Kind;
use Unanimus\Terms\PropertyFact;
use Unanimus\Terms\SameAs;
use Unanimus\Terms\Term;
use Unanimus\Terms\TermRefusal;

/** Stores a term or a fact of the property; what follows from it follows at once. */
final class SetFact
{
    /** Terms of the listing and not of the deal. */
    private const OF_LISTING = ['listed_on', 'listing_expires', 'listing_commission', 'buyer_commission'];

    public function __construct(private readonly ApplyKit $applyKit)
    {
    }

    /**
     * @param string|null $seen what stood in the field when it was typed into; null: nobody saw it
     * @return string the value as kept
     *
     * @throws EntryUnreadable when it cannot be read as what the fact holds
     * @throws StepRefused when the file is no longer worked on, there is no such fact, or someone has set another meanwhile
     */
    public function __invoke(DealFile $file, string $name, string $typed, string $source = 'entered', ?string $seen = null): string
    {
        $file->status->mustBeOpen();
        $value = self::read($file, $name, $typed);
        $seen === null || $this->mustHaveSeen($file, $name, $value, $seen);
        if ($name === PropertyFact::Street->value && $value !== '') {
            $value = $this->address($file, $value, $source);
        }
        $this->store($file, $name, $value, $source);
        $this->settle($file, $name === Term::Acceptance->value && $value !== '');

        return $value;
    }

    /** @throws StepRefused when what stands is neither what was seen nor what is entered */
    private function mustHaveSeen(DealFile $file, string $name, string $value, string $seen): void
    {
        DB::table('deal_files')->where('id', $file->id)->lockForUpdate()->value('id');
        $known = $file->knownFacts()->with('user')->where('name', $name)->first();
        $item = Term::tryFrom($name) ?? PropertyFact::tryFrom($name);
        if ($known === null || $item === null || $known->value === $value) {
            return;
        }
        $shown = FieldText::fact($item, new Fact($known->value, $known->source), $file);
        try {
            $same = in_array($seen, [$shown, $known->value], true) || self::read($file, $name, $seen) === $known->value;
        } catch (EntryUnreadable) {
            $same = false;
        }
        if (! $same) {
            throw TermRefusal::ChangedMeanwhile->because(who: $known->user->name ?? 'Someone', label: $item->label(), value: $shown);
        }
    }

    /** A street entered with unit, town, state or ZIP code is taken apart; what the line does not say stays. @return string the street */
    private function address(DealFile $file, string $typed, string $source): string
    {
        $address = Address::parse($typed);
        foreach (
            [
                PropertyFact::Unit->value => $address->unit,
                PropertyFact::City->value => $address->city,
                PropertyFact::State->value => $address->state,
                PropertyFact::Zip->value => $address->zip,
            ] as $name => $part
        ) {
            $part === '' || $this->store($file, $name, $part, $source);
        }

        return $address->street();
    }

    /**
     * Stores several at once, read and checked like single ones; none is stored when one cannot be read.
     *
     * @param array<string, string> $typed by name
     *
     * @throws EntryUnreadable|StepRefused
     */
    public function many(DealFile $file, array $typed, string $source = 'entered'): void
    {
        $values = [];
        foreach ($typed as $name => $text) {
            $values[$name] = self::read($file, $name, $text);
        }
        foreach ($values as $name => $value) {
            $this->store($file, $name, $value, $source);
        }
        $this->settle($file, ($values[Term::Acceptance->value] ?? '') !== '');
    }

    /**
     * Stores facts that came from the listing exchange, each with its source; what was entered by hand stays.
     *
     * @param array<string, string> $facts
     * @param bool $also what differs from an earlier reading is taken over too
     */
    public function fromListing(DealFile $file, array $facts, string $source, bool $also = true): void
    {
        $held = $file->knownFacts()->get()->keyBy('name');
        foreach ($facts as $name => $value) {
            $known = $held->get($name);
            if ($known === null || ($also && $known->source !== 'entered')) {
                $this->store($file, $name, $value, $source);
            }
        }
        $this->settle($file, false);
    }

    /**
     * Stores facts in place of what stands there, with where they come from.
     *
     * @param array<string, string> $facts as kept
     */
    public function takeOver(DealFile $file, array $facts, string $source): void
    {
        foreach ($facts as $name => $value) {
            $this->store($file, $name, $value, $source);
        }
        $this->settle($file, false);
    }

    /**
     * A value as it would be kept.
     *
     * @throws EntryUnreadable when it cannot be read as what the fact holds
     * @throws StepRefused when there is no such fact
     */
    public static function read(DealFile $file, string $name, string $typed): string
    {
        $fact = Term::tryFrom($name) ?? (PropertyFact::tryFrom($name) ?? throw TermRefusal::NoSuchTerm->because(name: $name));

        $same = $fact instanceof Term ? SameAs::read($fact, $typed) : null;
        if ($same !== null) {
            return $same;
        }
        $value = $fact->choices() !== null ? self::choice($fact->choices(), $typed) : $fact->kind()->parse($typed, $file->office->today());

        $fact instanceof Term && $fact->check($value, $typed);

        return match ($fact) {
            PropertyFact::Zip => Address::of('', zip: $value)->zip,
            PropertyFact::State => mb_strtoupper($value),
            default => $value,
        };
    }

    private function store(DealFile $file, string $name, string $value, string $source): void
    {
        $own = Term::tryFrom($name)?->side();
        $side = $own === null ? null : $file->kind->side($own);
        if (! $file->isOwnAffair($side)) {
            throw TermRefusal::OtherSides->because(side: (string) $side?->value);
        }
        // Locked, so that the history says what stood, not what a page once showed.
        DB::table('deal_files')->where('id', $file->id)->lockForUpdate()->value('id');
        $known = $file->knownFacts()->where('name', $name)->first();
        if (($known->value ?? '') === $value) {
            return;
        }
        (PropertyFact::tryFrom($name) !== null || in_array($name, self::OF_LISTING, true)) && $file->mustBeOwnListing();
        $value === ''
            ? $known?->delete()
            : $file
                ->knownFacts()
                ->updateOrCreate(
                    ['name' => $name],
                    [
                        'brokerage_id' => $file->brokerage_id,
                        'value' => $value,
                        'source' => $source,
                        'stored_at' => now(),
                        'user_id' => Auth::id(),
                        'side' => $side,
                        // Another value has not been checked yet.
                        'checked_at' => null,
                        'checked_by' => null,
                        'checked_against' => null,
                    ],
                );
        History::add(
            $file->brokerage_id,
            $file->id,
            'Term changed',
            ['name' => $name, 'before' => SameAs::readable($known->value ?? ''), 'after' => SameAs::readable($value), 'source' => $source],
            SeenBy::side($side),
        );
    }

    private function settle(DealFile $file, bool $accepted): void
    {
        if ($accepted && in_array($file->status, [DealStatus::Preparing, DealStatus::Active], true)) {
            $file->update(['status' => $file->status->to(DealStatus::UnderContract)]);
            History::add($file->brokerage_id, $file->id, 'Under contract', [], SeenBy::everyone());
            // The listing as it stands on the day of the contract; asked for once this is stored.
            $file->listing_number !== null && ! FileListing::isFiled($file) && PrintListing::begin($file->brokerage_id, $file->id);
        }
        $this->keepAddress($file);
        ($this->applyKit)($file);
    }

    private function keepAddress(DealFile $file): void
    {
        $known = $file
            ->knownFacts()
            ->whereIn('name', ['property.street', 'property.unit', 'property.city', 'property.state', 'property.zip'])
            ->pluck('value', 'name');
        $key = Address::of(
            $known['property.street'] ?? '',
            $known['property.unit'] ?? '',
            $known['property.city'] ?? '',
            $known['property.state'] ?? '',
            $known['property.zip'] ?? '',
        )->key();
        $key === $file->address_key || $file->update(['address_key' => $key]);
    }

    /** @param  array<string, string>  $choices */
    private static function choice(array $choices, string $typed): string
    {
        $kept = Kind::Text->parse($typed, \Unanimus\Dates\LocalDate::ymd(2000, 1, 1));
        if ($kept !== '' && ! isset($choices[$kept])) {
            throw new EntryUnreadable('Choose one of: '.implode(', ', $choices).'.');
        }

        return $kept;
    }
}
