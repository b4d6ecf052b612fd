<?php

declare(strict_types=1);

namespace Unanimus\Exchange;

use Sabre\VObject\Component\VCard as Card;
use Sabre\VObject\Parameter;
use Sabre\VObject\ParseException;
use Sabre\VObject\Property;
use Sabre\VObject\Reader;
use Unanimus\Pages\PlainText;

/**
 * People as vCards, in and out: name, firm, email, phone, address.
 *
 * @link https://www.rfc-editor.org/rfc/rfc6350 vCard 4.0; 3.0 and 2.1 are read too
 */
final readonly class Vcard
{
    /** The most cards that are read in one go. */
    public const MOST = 5000;

    /** What the book keeps; anything else on a card is left aside. */
    private const KEPT = ['VERSION', 'PRODID', 'REV', 'UID', 'FN', 'N', 'ORG', 'EMAIL', 'TEL', 'ADR', 'KIND', 'CLIENTPIDMAP'];

    public function __construct(
        public string $name,
        public string $firm = '',
        public string $email = '',
        public string $phone = '',
        public string $address = '',
    ) {
    }

    /** The cards in a file, and what of it could not be read or was left aside. A card without a name or a firm is none. */
    public static function read(string $bytes): VcardsRead
    {
        $cards = [];
        $broken = $over = 0;
        $aside = false;
        foreach (self::pieces(self::letters($bytes)) as $piece) {
            if ($piece === null) {
                $broken++;

                continue;
            }
            if (count($cards) >= self::MOST) {
                $over++;

                continue;
            }
            try {
                $card = Reader::read($piece, Reader::OPTION_FORGIVING | Reader::OPTION_IGNORE_INVALID_LINES);
            } catch (ParseException|\InvalidArgumentException) {
                $broken++;

                continue;
            }
            $read = $card instanceof Card ? self::one($card) : null;
            $read === null ? $broken++ : ($cards[] = $read);
            $aside = $aside || ($card instanceof Card && self::leavesAside($card));
        }

        return new VcardsRead($cards, $broken, $over, $aside);
    }

    /** @param  list<self>  $cards */
    public static function write(array $cards): string
    {
        $text = '';
        foreach ($cards as $one) {
            $parts = explode(' ', $one->name);
            $last = (string) array_pop($parts);
            $card = new Card(['VERSION' => '4.0', 'FN' => $one->name, 'N' => [$last, implode(' ', $parts), '', '', '']]);
            $card->remove('PRODID');
            $one->firm === '' || $card->add('ORG', [$one->firm]);
            $one->email === '' || $card->add('EMAIL', $one->email);
            $one->phone === '' || $card->add('TEL', $one->phone, ['VALUE' => 'text']);
            $one->address === '' || $card->add('ADR', ['', '', $one->address, '', '', '', '']);
            $text .= $card->serialize();
        }

        return $text;
    }

    private static function one(Card $card): ?self
    {
        $name = self::preferred($card, 'FN');
        if ($name === '') {
            $parts = array_pad(array_map(self::line(...), self::preferredProperty($card, 'N')?->getParts() ?? []), 5, '');
            $name = trim(
                implode(
                    ' ',
                    array_filter([$parts[3], $parts[1], $parts[2], $parts[0], $parts[4]], static fn (string $part) => $part !== ''),
                ),
            );
        }
        $firm = self::line((string) (self::preferredProperty($card, 'ORG')?->getParts()[0] ?? ''));
        if ($name === '' && $firm === '') {
            return null;
        }
        $email = preg_replace('/^mailto:/i', '', self::preferred($card, 'EMAIL'));
        $address = array_filter(
            array_map(self::line(...), self::preferredProperty($card, 'ADR')?->getParts() ?? []),
            static fn (string $part) => $part !== '',
        );
        $cut = static fn (?string $text, int $most) => mb_substr((string) $text, 0, $most);

        return new self(
            $cut($name === '' ? $firm : $name, 120),
            $cut($firm, 120),
            // An address that is none could carry anything into the head of a letter.
            filter_var($email, FILTER_VALIDATE_EMAIL) === false ? '' : $cut($email, 200),
            $cut(preg_replace('/^tel:/i', '', self::preferred($card, 'TEL')), 40),
            $cut(implode(', ', $address), 300),
        );
    }

    private static function preferred(Card $card, string $name): string
    {
        return self::line((string) (self::preferredProperty($card, $name)?->getValue() ?? ''));
    }

    /** The one that is preferred (RFC 6350, 5.3; TYPE=pref before), else the first. */
    private static function preferredProperty(Card $card, string $name): ?Property
    {
        $best = null;
        $rank = 102;
        foreach ($card->select($name) as $property) {
            if (! ($property instanceof Property) || trim((string) $property->getValue()) === '') {
                continue;
            }
            [$type, $pref] = [$property['TYPE'], $property['PREF']];
            $types = $type instanceof Parameter ? array_map(static fn (mixed $one) => strtolower((string) $one), $type->getParts()) : [];
            $own = $pref instanceof Parameter ? max(1, min(100, (int) $pref->getValue())) : (in_array('pref', $types, true) ? 1 : 101);
            if ($own < $rank) {
                [$best, $rank] = [$property, $own];
            }
        }

        return $best;
    }

    private static function leavesAside(Card $card): bool
    {
        $counts = [];
        foreach ($card->children() as $child) {
            if ($child instanceof Property) {
                $counts[$child->name] = ($counts[$child->name] ?? 0) + 1;
            }
        }

        return array_diff(array_keys($counts), self::KEPT) !== [] ||
            max($counts['EMAIL'] ?? 0, $counts['TEL'] ?? 0, $counts['ADR'] ?? 0) > 1;
    }

    /** On one line: what breaks a line in a name or an address would begin another header where it goes out. */
    private static function line(string $text): string
    {
        return trim((string) preg_replace('/\s*[\r\n]+\s*|[\x{0B}-\x{1F}]+/u', ' ', PlainText::of($text)));
    }

    private static function letters(string $bytes): string
    {
        return match (true) {
            str_starts_with($bytes, "\xFF\xFE") => mb_convert_encoding(substr($bytes, 2), 'UTF-8', 'UTF-16LE'),
            str_starts_with($bytes, "\xFE\xFF") => mb_convert_encoding(substr($bytes, 2), 'UTF-8', 'UTF-16BE'),
            str_starts_with($bytes, "B\0E\0G\0") => mb_convert_encoding($bytes, 'UTF-8', 'UTF-16LE'),
            str_starts_with($bytes, "\0B\0E\0G") => mb_convert_encoding($bytes, 'UTF-8', 'UTF-16BE'),
            str_starts_with($bytes, "\xEF\xBB\xBF") => substr($bytes, 3),
            default => $bytes,
        };
    }

    /**
     * Each card by itself, so that a broken one swallows no other.
     *
     * @return iterable<string|null> null for one that begins and does not end
     */
    private static function pieces(string $text): iterable
    {
        $lines = preg_split('/\r\n|\r|\n/', $text) ?: [];
        $card = null;
        foreach ($lines as $line) {
            if (preg_match('/^\s*BEGIN:VCARD\s*$/i', $line) === 1) {
                if ($card !== null) {
                    yield null;
                }
                $card = [];
            }
            if ($card === null) {
                continue;
            }
            // A long value of a 2.1 card may end in a line that is empty; what it holds is not kept.
            trim($line) === '' || ($card[] = $line);
            if (preg_match('/^\s*END:VCARD\s*$/i', $line) === 1) {
                yield self::inUtf8($card);
                $card = null;
            }
        }
        if ($card !== null) {
            yield null;
        }
    }

    /** @param  list<string>  $lines  Cards say the letters of a line by themselves; else they are UTF-8, or what Windows wrote. */
    private static function inUtf8(array $lines): string
    {
        $text = implode("\r\n", array_map(self::lineInUtf8(...), self::whole($lines)))."\r\n";

        return mb_check_encoding($text, 'UTF-8') ? $text : mb_convert_encoding($text, 'UTF-8', 'Windows-1252');
    }

    /**
     * @param list<string> $lines
     * @return list<string> with quoted-printable values on one line each (RFC 2045, 6.7: a line that ends in "=" goes on)
     */
    private static function whole(array $lines): array
    {
        $whole = [];
        $goesOn = false;
        foreach ($lines as $line) {
            $goesOn ? $whole[array_key_last($whole)] = substr((string) end($whole), 0, -1).ltrim($line) : $whole[] = $line;
            $last = (string) end($whole);
            $goesOn = str_ends_with($last, '=') && preg_match('/^[^:]*QUOTED-PRINTABLE/i', $last) === 1;
        }

        return $whole;
    }

    private static function lineInUtf8(string $line): string
    {
        if (
            preg_match('/^[^:]*;CHARSET="?([\w-]+)"?/i', $line, $m) !== 1 ||
            strcasecmp($m[1], 'UTF-8') === 0 ||
            ! in_array(strtoupper($m[1]), array_map(strtoupper(...), mb_list_encodings()), true)
        ) {
            return $line;
        }
        $convert = static fn (string $letters) => (string) mb_convert_encoding($letters, 'UTF-8', $m[1]);
        $quoted = static fn (string $letters): string => '='.implode('=', str_split(strtoupper(bin2hex($letters)), 2));
        $line = preg_match('/^[^:]*QUOTED-PRINTABLE/i', $line) === 1
            ? preg_replace_callback(
                '/(?:=[0-9A-F]{2})+/i',
                static fn (array $run): string => $quoted($convert(quoted_printable_decode($run[0]))),
                $line,
            )
            : $convert($line);

        return (string) preg_replace('/;CHARSET="?[\w-]+"?/i', '', (string) $line);
    }
}
