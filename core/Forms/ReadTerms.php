<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Pages\Rect;
use Unanimus\Terms\Facts;
use Unanimus\Terms\PropertyFact;
use Unanimus\Terms\Term;

/**
 * What a paper that came in says of the deal, and the file does not know: terms, facts of the property, and its people, each with
 * the place on the page it was read at. They are proposed; nothing follows from them before someone takes them.
 */
final readonly class ReadTerms
{
    /** Blanks that name people, with the role they are. */
    private const PEOPLE = [
        'buyers.names' => 'buyer',
        'sellers.names' => 'seller',
        'tenants.names' => 'tenant',
        'landlords.names' => 'landlord',
    ];

    /** Of one role. */
    private const MOST = 6;

    /**
     * @param string $name of the fact, or the seat: "price", "buyer.1"
     * @param string $typed as it is entered
     * @param string $quote the words it was read in, where no blank says what it is
     */
    private function __construct(
        public string $name,
        public string $label,
        public string $typed,
        public bool $isPerson,
        public ?int $page,
        public Rect $place,
        public string $quote = '',
    ) {
    }

    /**
     * The same of a paper that is no form of the library, as far as the file does not know it.
     *
     * @param list<SaidTerm> $said
     * @param list<string> $seated seats that somebody of the file holds
     * @return list<self>
     */
    public static function ofSaid(array $said, Facts $facts, array $seated): array
    {
        $found = [];
        foreach ($said as $one) {
            $fact = Term::tryFrom($one->name) ?? PropertyFact::tryFrom($one->name);
            if ($fact === null ? in_array($one->name, $seated, true) : (string) $facts->value($one->name) !== '') {
                continue;
            }
            $label = $fact?->label() ?? ucfirst(str_replace('.', ' ', $one->name));
            $found[] = new self($one->name, $label, $one->value, $fact === null, $one->page, $one->place, $one->quote);
        }

        return $found;
    }

    /**
     * @param list<string> $seated seats that somebody of the file holds
     * @return list<self> in the order of the form
     */
    public static function of(ReadBack $read, Form $form, Facts $facts, array $seated): array
    {
        $found = [];
        foreach ($form->blanks as $blank) {
            $value = $read->values[$blank->name] ?? '';
            $binding = (string) $blank->binding;
            if ($value === '' || $binding === '' || str_contains($binding, '?')) {
                continue;
            }
            $page = $read->pages[$blank->page] ?? null;
            if (isset(self::PEOPLE[$binding])) {
                foreach (self::people($value) as $index => $name) {
                    $seat = self::PEOPLE[$binding].'.'.($index + 1);
                    in_array($seat, $seated, true) || ($found[$seat] ??= new self(
                        $seat,
                        ucfirst(self::PEOPLE[$binding]).' '.($index + 1),
                        $name,
                        true,
                        $page,
                        $blank->place,
                    ));
                }

                continue;
            }
            $fact = Term::tryFrom($binding) ?? PropertyFact::tryFrom($binding);
            $known = (string) $facts->value($binding);
            if ($fact !== null && $known === '') {
                $found[$binding] ??= new self($binding, $fact->label(), $blank->kind->show($value), false, $page, $blank->place);
            }
        }

        return array_values($found);
    }

    /**
     * The names of a line: "Sunniva Eide and José Nguyễn-Ortiz", "A, B & C".
     *
     * @return list<string>
     */
    private static function people(string $line): array
    {
        $names = preg_split('/\s*(?:,|;|&|\band\b)\s*/iu', $line) ?: [];
        $names = array_filter(array_map(trim(...), $names), static fn (string $name) => preg_match('/\p{L}+\s+\p{L}/u', $name) === 1);

        return array_slice(array_values($names), 0, self::MOST);
    }
}
