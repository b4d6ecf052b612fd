<?php

declare(strict_types=1);

namespace App\History;

use Illuminate\Support\Facades\Lang;
use Unanimus\Dates\LocalDate;
use Unanimus\Money\Money;
use Unanimus\Signing\Seat;
use Unanimus\Terms\PropertyFact;
use Unanimus\Terms\SameAs;
use Unanimus\Terms\Term;

/**
 * An entry of a history as a sentence: lang/en/history.php has the words, with a variant where there was nothing before or is nothing now.
 */
final class Sentence
{
    private const LONGEST = 80;

    private const DAYS = ['until', 'from', 'to', 'due', 'on', 'day'];

    private const MONEY = ['price', 'gross', 'wired', 'paid', 'amount'];

    /** @param  array<string, mixed>  $data */
    public static function of(string $what, array $data): string
    {
        $said = self::said($data);
        foreach (self::variants($what, $said) as $key) {
            $words = Lang::get('history')[$key] ?? null;
            if (is_string($words)) {
                return self::filled($words, $said);
            }
        }
        $rest = array_diff_key($said, ['sha256' => 1, 'original' => 1]);

        return $what.($rest === [] ? '' : ': '.implode(' · ', $rest));
    }

    /**
     * @param array<string, string> $said
     * @return list<string>
     */
    private static function variants(string $what, array $said): array
    {
        $has = static fn (string $key) => ($said[$key] ?? '') !== '';

        return match (true) {
            array_key_exists('after', $said) && ! $has('after') => ["{$what} (gone)", $what],
            array_key_exists('after', $said) && ! $has('before') => ["{$what} (first)", $what],
            $has('reason') || $has('why') => ["{$what} (why)", $what],
            default => [$what],
        };
    }

    /** @param  array<string, string>  $said */
    private static function filled(string $words, array $said): string
    {
        // What stands in brackets is said only where there is something to say.
        $words = (string) preg_replace_callback(
            '/\[([^\]]*:([a-z_]+)[^\]]*)\]/',
            static fn (array $m) => ($said[$m[2]] ?? '') === '' ? '' : $m[1],
            $words,
        );
        $filled = (string) preg_replace_callback('/:([a-z_]+)/', static fn (array $m) => $said[$m[1]] ?? '', $words);

        return trim((string) preg_replace(['/\s+([.,])/', '/\s{2,}/', '/ “”/'], ['$1', ' ', ''], $filled));
    }

    /**
     * What an entry holds, as one reads it.
     *
     * @param array<string, mixed> $data
     * @return array<string, string>
     */
    private static function said(array $data): array
    {
        $item = Term::tryFrom((string) ($data['name'] ?? '')) ?? PropertyFact::tryFrom((string) ($data['name'] ?? ''));
        $said = [];
        foreach ($data as $name => $value) {
            if (! is_scalar($value) && $value !== null) {
                continue;
            }
            $text = (string) $value;
            $said[strtr((string) $name, ' ', '_')] = mb_strimwidth(
                match (true) {
                    $text === '' => '',
                    $name === 'name' => $item?->label() ?? $text,
                    in_array($name, ['before', 'after'], true) && $item !== null && $text !== SameAs::readable(SameAs::CLOSING) => $item
                        ->kind()
                        ->inSentence($text),
                    $name === 'seat' => preg_match('/^[a-z]+\.\d+$/', $text) === 1 ? Seat::of($text)->label() : $text,
                    in_array($name, self::DAYS, true) && preg_match('/^\d{4}-\d{2}-\d{2}$/', $text) === 1 => LocalDate::of($text)->long(),
                    $name === 'days' => (string) preg_replace_callback(
                        '/\d{4}-\d{2}-\d{2}/',
                        static fn (array $m) => LocalDate::of($m[0])->long(),
                        $text,
                    ),
                    in_array($name, self::MONEY, true) && is_numeric($text) => (string) Money::of($text),
                    default => $text,
                },
                0,
                self::LONGEST,
                '…',
            );
        }

        return $said;
    }
}
