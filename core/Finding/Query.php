<?php

declare(strict_types=1);

namespace Unanimus\Finding;

use Unanimus\Dates\LocalDate;

/**
 * What is typed into the one search field: fragments of words in any order, and fields such as "status:active closes:week".
 * A minus before a field leaves out what it finds.
 */
final readonly class Query
{
    /** The fields, with what each asks and the values it completes to. */
    public const FIELDS = [
        'status' => [
            'status of the file',
            ['preparing', 'active', 'contract', 'closed', 'terminated', 'expired', 'withdrawn', 'open', 'ended', 'archived', 'all'],
        ],
        'agent' => ['whose file it is', ['me']],
        'side' => ['whom we represent', ['buyer', 'seller', 'both', 'tenant', 'landlord']],
        'kind' => ['sale, lease or referral', ['sale', 'lease', 'referral']],
        'closes' => ['when it closes', ['today', 'week', 'next-week', 'month', 'late', 'none']],
        'label' => ['its tags', []],
        'office' => ['which office has it', []],
        'owes' => [
            'who has to sign: a seat, a name, me',
            ['me', 'buyer', 'seller', 'agent', 'tenant', 'landlord', 'buyer.1', 'buyer.2', 'seller.1', 'seller.2', 'agent.1'],
        ],
        'late' => ['what is late, or a deadline’s name', ['deadline', 'closing', 'papers']],
        'next' => ['when the next deadline is, or its name', ['today', 'week', 'next-week', 'month', 'late']],
        'says' => ['what stands on its papers', []],
        'needs' => ['what it is waiting for', ['signature', 'review', 'remark', 'paper', 'closing-date', 'commission']],
    ];

    /** Fields that ask something alone: anything late, any deadline ahead, anyone who has to sign. */
    private const ALONE = ['owes', 'late', 'next'];

    /** The most words and fields that are looked at. */
    private const MOST = 12;

    /**
     * @param list<string> $words plain fragments
     * @param list<array{field: string, value: string, not: bool}> $fields
     * @param list<string> $faults what was not understood, in words
     */
    private function __construct(public array $words, public array $fields, public array $faults)
    {
    }

    /** Reads what was typed. What is no field is a word; a field without such a value is told. */
    public static function parse(string $typed): self
    {
        preg_match_all(
            '/(-?)([a-z]+):"([^"]*)"?|(-?)([a-z]+):(\S*)|"([^"]+)"?|(\S+)/iu',
            mb_substr($typed, 0, 400),
            $parts,
            PREG_SET_ORDER | PREG_UNMATCHED_AS_NULL,
        );
        $words = [];
        $fields = [];
        $faults = [];
        foreach (array_slice($parts, 0, self::MOST) as $part) {
            $field = strtolower($part[2] ?? ($part[5] ?? ''));
            $value = trim($part[3] ?? ($part[6] ?? ''));
            if ($field !== '' && isset(self::FIELDS[$field])) {
                $fault = self::fault($field, $value);
                $fault === null
                    ? ($fields[] = ['field' => $field, 'value' => mb_strtolower($value), 'not' => ($part[1] ?? ($part[4] ?? '')) === '-'])
                    : ($faults[] = $fault);

                continue;
            }
            $word = self::plain((string) ($part[7] ?? ($part[8] ?? $part[0])));
            $word === '' || array_push($words, ...isset($part[7]) ? [$word] : explode(' ', $word));
        }

        return new self(array_values(array_unique($words)), $fields, $faults);
    }

    /** Whether a field is asked. */
    public function asks(string $field): bool
    {
        return in_array($field, array_column($this->fields, 'field'), true);
    }

    /** Whether nothing is asked. */
    public function isEmpty(): bool
    {
        return $this->words === [] && $this->fields === [];
    }

    /** Letters as they are compared: small, without accents, marks as spaces: "Nguyễn-Ortiz" to "nguyen ortiz". */
    public static function plain(string $text): string
    {
        $bare = (string) preg_replace('/\p{Mn}+/u', '', (string) \Normalizer::normalize($text, \Normalizer::FORM_D));
        $bare = strtr(mb_strtolower($bare), [
            'ø' => 'o',
            'đ' => 'd',
            'ł' => 'l',
            'æ' => 'ae',
            'œ' => 'oe',
            'ß' => 'ss',
            '’' => '',
            "'" => '',
        ]);

        return trim((string) preg_replace('/[^\p{L}\p{N}]+/u', ' ', $bare));
    }

    /**
     * How the last word may go on: fields, and a field's values.
     *
     * @param array<string, list<string>> $known more values a field has in this brokerage, by field
     * @return list<array{text: string, about: string}> the whole query as it would read
     */
    public static function completions(string $typed, array $known = []): array
    {
        if (preg_match('/^(.*?)(-?)([a-z]*)(:?)([^\s:]*)$/isu', $typed, $m) !== 1) {
            return [];
        }
        [, $before, $not, $field, $colon, $begun] = $m;
        if ($colon === '') {
            $fields =
                $field === '' && trim($before) !== ''
                    ? []
                    : array_filter(
                        self::FIELDS,
                        static fn (string $name) => $field === '' || str_starts_with($name, strtolower($field)),
                        ARRAY_FILTER_USE_KEY,
                    );

            return array_map(
                static fn (string $name) => ['text' => "{$before}{$not}{$name}:", 'about' => self::FIELDS[$name][0]],
                array_keys($fields),
            );
        }
        $values = [...self::FIELDS[strtolower($field)][1] ?? [], ...$known[strtolower($field)] ?? []];
        $fitting = array_filter(
            $values,
            static fn (string $value) => $begun === '' || str_contains(self::plain($value), self::plain($begun)),
        );

        return array_map(
            static fn (string $value) => [
                'text' => "{$before}{$not}".strtolower($field).':'.(str_contains($value, ' ') ? "\"{$value}\"" : $value).' ',
                'about' => self::FIELDS[strtolower($field)][0] ?? '',
            ],
            array_slice($fitting, 0, 10),
        );
    }

    /**
     * The span of days a "closes:" value means; null on an open side.
     *
     * @return array{LocalDate|null, LocalDate|null}|null null when it is none
     */
    public static function span(string $value, LocalDate $today): ?array
    {
        $monday = $today->plusDays(1 - $today->weekday());
        $value = strtolower($value);
        if (preg_match('/^(\d{4})-(\d{2})$/', $value, $m) === 1 && (int) $m[2] >= 1 && (int) $m[2] <= 12) {
            $first = LocalDate::ymd((int) $m[1], (int) $m[2], 1);

            return [$first, self::nextMonth($first)->plusDays(-1)];
        }
        try {
            return match (true) {
                $value === 'today' => [$today, $today],
                $value === 'week' => [$monday, $monday->plusDays(6)],
                $value === 'next-week' => [$monday->plusDays(7), $monday->plusDays(13)],
                $value === 'month' => [
                    ($first = LocalDate::ymd($today->year(), $today->month(), 1)),
                    self::nextMonth($first)->plusDays(-1),
                ],
                $value === 'late' => [null, $today->plusDays(-1)],
                str_contains($value, '..') => (static function () use ($value): array {
                    [$from, $to] = explode('..', $value, 2);

                    return [$from === '' ? null : LocalDate::of($from), $to === '' ? null : LocalDate::of($to)];
                })(),
                str_starts_with($value, '<') => [null, LocalDate::of(substr($value, 1))->plusDays(-1)],
                str_starts_with($value, '>') => [LocalDate::of(substr($value, 1))->plusDays(1), null],
                default => [LocalDate::of($value), LocalDate::of($value)],
            };
        } catch (\InvalidArgumentException|\DomainException) {
            return null;
        }
    }

    private static function fault(string $field, string $value): ?string
    {
        if ($value === '') {
            return in_array($field, self::ALONE, true) ? null : "Enter a value after “{$field}:”.";
        }
        $values = self::FIELDS[$field][1];
        $free =
            in_array($field, ['agent', 'label', 'office', 'says'], true) ||
            // A name: of who has to sign, of a deadline.
            (in_array($field, self::ALONE, true) && preg_match('/\p{L}/u', $value) === 1) ||
            (in_array($field, ['closes', 'next'], true) && self::span($value, LocalDate::ymd(2026, 1, 1)) !== null);

        return $free || in_array(strtolower($value), $values, true)
            ? null
            : "“{$field}:{$value}” is not known. It may be ".implode(', ', $values).'.';
    }

    private static function nextMonth(LocalDate $first): LocalDate
    {
        return $first->month() === 12 ? LocalDate::ymd($first->year() + 1, 1, 1) : LocalDate::ymd($first->year(), $first->month() + 1, 1);
    }
}
