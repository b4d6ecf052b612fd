<?php

declare(strict_types=1);

namespace Unanimus\Exchange;

use Unanimus\Dates\CalendarFeed;

/**
 * People as vCards, in and out: name, firm, mail, telephone, address.
 *
 * @link https://www.rfc-editor.org/rfc/rfc6350 vCard 4.0; 3.0 and 2.1 are read too
 */
final readonly class Vcard
{
    public function __construct(public string $name, public string $firm = '', public string $email = '', public string $phone = '', public string $address = '')
    {
    }

    /**
     * The cards in a file; what it does not know it leaves aside. A card without a name is none.
     *
     * @return list<self>
     */
    public static function read(string $text): array
    {
        $text = mb_check_encoding($text, 'UTF-8') ? $text : mb_convert_encoding($text, 'UTF-8', 'Windows-1252');
        $text = (string) preg_replace('/\r\n|\r/', "\n", str_replace("\u{FEFF}", '', $text));
        // Folded lines go on after a blank (section 3.2); in 2.1, quoted-printable ones after "=".
        $text = (string) preg_replace('/\n[ \t]/', '', (string) preg_replace('/=\n/', '', $text));
        preg_match_all('/^BEGIN:VCARD\n(.*?)^END:VCARD/msi', $text, $cards);
        $read = [];
        foreach (array_slice($cards[1], 0, 2000) as $card) {
            $has = [];
            foreach (explode("\n", $card) as $line) {
                if (preg_match('/^(?:[\w-]+\.)?([A-Z-]+)((?:;[^:"]*(?:"[^"]*")?)*):(.*)$/i', $line, $m) === 1) {
                    $value = stripos($m[2], 'QUOTED-PRINTABLE') === false ? $m[3] : quoted_printable_decode($m[3]);
                    $has[strtoupper($m[1])] ??= trim($value);
                }
            }
            $parts = array_pad(array_map(self::plain(...), preg_split('/(?<!\\\\);/', $has['N'] ?? '') ?: []), 5, '');
            $name = self::plain($has['FN'] ?? '') ?: trim(implode(' ', array_filter([$parts[3], $parts[1], $parts[2], $parts[0], $parts[4]])));
            $place = array_filter(array_map(self::plain(...), preg_split('/(?<!\\\\);/', $has['ADR'] ?? '') ?: []));
            $firm = self::plain((preg_split('/(?<!\\\\);/', $has['ORG'] ?? '') ?: [''])[0]);
            if ($name !== '' || $firm !== '') {
                $cut = static fn (string $text, int $most) => mb_substr($text, 0, $most);
                $read[] = new self($cut($name ?: $firm, 120), $cut($firm, 120), $cut(self::plain((string) preg_replace('/^mailto:/i', '', $has['EMAIL'] ?? '')), 200), $cut(self::plain((string) preg_replace('/^tel:/i', '', $has['TEL'] ?? '')), 40), $cut(implode(', ', $place), 300));
            }
        }

        return $read;
    }

    /** Whether the cards hold more than is read from them: pictures, sounds, keys, notes, a second mail address. */
    public static function leavesAside(string $text): bool
    {
        if (preg_match('/^(?:[\w-]+\.)?(PHOTO|LOGO|SOUND|KEY|NOTE|BDAY|ANNIVERSARY|URL|IMPP|RELATED)[;:]/mi', $text) === 1) {
            return true;
        }
        foreach (preg_split('/^BEGIN:VCARD/mi', $text) ?: [] as $card) {
            foreach (['EMAIL', 'TEL', 'ADR'] as $kind) {
                if (preg_match_all("/^(?:[\\w-]+\\.)?{$kind}[;:]/mi", $card) > 1) {
                    return true;
                }
            }
        }

        return false;
    }

    /** @param  list<self>  $cards */
    public static function write(array $cards): string
    {
        $lines = [];
        foreach ($cards as $card) {
            $parts = explode(' ', $card->name);
            $last = (string) array_pop($parts);
            array_push($lines, 'BEGIN:VCARD', 'VERSION:4.0', 'FN:'.self::escaped($card->name), 'N:'.self::escaped($last).';'.self::escaped(implode(' ', $parts)).';;;');
            $card->firm === '' || $lines[] = 'ORG:'.self::escaped($card->firm);
            $card->email === '' || $lines[] = 'EMAIL:'.self::escaped($card->email);
            $card->phone === '' || $lines[] = 'TEL;VALUE=text:'.self::escaped($card->phone);
            $card->address === '' || $lines[] = 'ADR:;;'.self::escaped($card->address).';;;;';
            $lines[] = 'END:VCARD';
        }

        return implode('', array_map(static fn (string $line) => CalendarFeed::fold($line)."\r\n", $lines));
    }

    private static function plain(string $value): string
    {
        return trim(str_replace(['\\n', '\\N', '\\,', '\\;', '\\\\'], [', ', ', ', ',', ';', '\\'], $value));
    }

    private static function escaped(string $value): string
    {
        return str_replace(['\\', ';', ',', "\r\n", "\n"], ['\\\\', '\\;', '\\,', '\\n', '\\n'], $value);
    }
}
