<?php

declare(strict_types=1);

namespace App\Terms;

use App\Models\DealFile;
use App\Models\Paper;
use App\Models\Party;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\PaperState;
use Unanimus\Parties\PartyRole;
use Unanimus\Terms\Derived;
use Unanimus\Terms\Fact;
use Unanimus\Terms\Facts;

/** All that is known of a file, as papers and rules ask for it: terms, property, people, what is attached, what follows. */
final class FactBook
{
    public static function of(DealFile $file): Facts
    {
        $facts = [];
        foreach ($file->knownFacts as $known) {
            $facts[$known->name] = new Fact($known->value, $known->source === 'entered' ? 'the file’s terms' : $known->source);
        }
        $facts += self::people($file);
        $facts += self::property($facts);
        if ($file->listing_number !== null) {
            $facts['listing.number'] = new Fact($file->listing_number, 'listing');
        }
        foreach (self::attached($file) as $number) {
            $facts['attached.'.strtolower($number)] = new Fact('yes', 'paper in the file');
        }
        $facts['brokerage.name'] = new Fact(self::brokerage($file), 'office');
        $facts['represents'] = new Fact($file->represents->value, 'file');
        $facts['kind'] = new Fact($file->kind->value, 'file');
        $facts['status'] = new Fact($file->status->value, 'file');
        $facts['office'] = new Fact($file->office->name, 'file');
        foreach (
            [
                'entity' => static fn (Party $party) => $party->kind !== 'person',
                'attorney' => static fn (Party $party) => $party->kind === 'person' && $party->isSignedByAnother(),
            ] as $what => $is
        ) {
            $facts["{$what}.party"] = new Fact($file->parties->contains($is) ? 'yes' : 'no', 'the parties');
        }

        return Derived::from(new Facts($facts));
    }

    /** @return iterable<string> the numbers of the forms that are in the file; for these alone its papers are not read as a whole */
    private static function attached(DealFile $file): iterable
    {
        return $file->relationLoaded('papers')
            ? $file->papers
                ->filter(static fn (Paper $paper) => $paper->form_number !== null && $paper->state !== PaperState::Void)
                ->pluck('form_number')
            : DB::table('papers')
                ->where('deal_file_id', $file->id)
                ->whereNotNull('form_number')
                ->where('state', '<>', PaperState::Void->value)
                ->orderBy('position')
                ->orderBy('id')
                ->pluck('form_number');
    }

    /** @return array<string, Fact> */
    private static function people(DealFile $file): array
    {
        $facts = [];
        $names = [];
        foreach ($file->parties->sortBy(static fn ($party) => $party->seat()->order()) as $party) {
            $seat = $party->seat();
            $facts["{$seat}.name"] = new Fact($party->name, $seat->label());
            if ($party->firm !== null && $party->firm !== '') {
                $facts["{$seat}.firm"] = new Fact($party->firm, $seat->label());
            }
            foreach ($party->prints_contact ? ['email', 'phone', 'address'] : [] as $way) {
                $party->{$way} === null || ($facts["{$seat}.{$way}"] = new Fact($party->{$way}, $seat->label()));
            }
            $names[$party->role->value][] = $party->name;
        }
        foreach (array_intersect_key($names, array_flip(PartyRole::values())) as $role => $all) {
            $last = array_pop($all);
            $facts["{$role}s.names"] = new Fact($all === [] ? $last : implode(', ', $all)." and {$last}", "{$role}s");
            $facts["{$role}s.count"] = new Fact((string) (count($all) + 1), "{$role}s");
        }

        return $facts;
    }

    /**
     * @param array<string, Fact> $facts
     * @return array<string, Fact>
     */
    private static function property(array $facts): array
    {
        if (! isset($facts['property.street'])) {
            return [];
        }
        $value = static fn (string $name) => ($facts["property.{$name}"] ?? null)?->value;
        $place = trim($value('state').' '.$value('zip'));
        $parts = array_filter([trim($value('street').' '.$value('unit')), $value('city'), $place]);

        return ['property.address' => new Fact(implode(', ', $parts), $facts['property.street']->source)];
    }

    private static function brokerage(DealFile $file): string
    {
        static $names = [];

        return $names[$file->brokerage_id] ??= (string) \App\Models\Brokerage::query()->whereKey($file->brokerage_id)->value('name');
    }
}
