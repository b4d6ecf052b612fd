<?php

declare(strict_types=1);

namespace Unanimus\Files;

/**
 * Several people written in one line, as an offer names its buyers.
 */
final class Names
{
    /**
     * Each person's name: "Halvard and Mina Ostergaard" is Halvard Ostergaard and Mina Ostergaard. A firm or trust stays whole.
     *
     * @return list<string>
     */
    public static function in(string $line): array
    {
        if (preg_match('/\b(?:llc|inc|ltd|lp|llp|trust|estate|company|corporation|holdings|partners)\b/iu', $line) === 1) {
            return [trim($line)];
        }
        $parts = array_values(
            array_filter(
                array_map(trim(...), preg_split('/\s*(?:,|;|&|\band\b)\s*/iu', $line) ?: []),
                static fn (string $part) => $part !== '',
            ),
        );
        $surname = '';
        foreach (array_reverse(array_keys($parts)) as $at) {
            $words = explode(' ', $parts[$at]);
            if (count($words) > 1) {
                $surname = (string) end($words);
            } elseif ($surname !== '') {
                $parts[$at] .= " {$surname}";
            }
        }

        return array_values($parts);
    }
}
