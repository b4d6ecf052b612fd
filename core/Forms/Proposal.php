<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Pages\PageRead;
use Unanimus\Pages\PageRules;
use Unanimus\Pages\PageWords;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\Rect;
use Unanimus\Pages\WritingPlace;
use Unanimus\Pages\WritingPlaces;
use Unanimus\Signing\MarkKind;
use Unanimus\Signing\PageMarks;
use Unanimus\Signing\ProposedMark;
use Unanimus\Terms\Kind;

/**
 * Proposes the blanks of a flat PDF: where it is meant to be filled, named and bound by the words before each place.
 */
final class Proposal
{
    /** The roles a signing place may name. */
    private const SEATS = [
        'buyer' => 'buyer',
        'purchaser' => 'buyer',
        'seller' => 'seller',
        'owner' => 'seller',
        'tenant' => 'tenant',
        'lessee' => 'tenant',
        'landlord' => 'landlord',
        'lessor' => 'landlord',
        'broker' => 'broker',
        'agent' => 'agent',
        'licensee' => 'agent',
    ];

    /** The upper part of a page, where "Buyer: ____ Date: ____" are the deal's. */
    private const HEAD = 0.3;

    /** @var array<string, int> how often a name was given */
    private array $names = [];

    private function __construct()
    {
    }

    /**
     * What words beside a blank seem to ask for, without a look at the page.
     *
     * @return array{kind: Kind, binding: string|null}
     */
    public static function guess(string $words): array
    {
        $label = mb_strtolower(trim($words));
        $kind = match (true) {
            preg_match('/\bdate(d)?\b|\bday of$/', $label) === 1 => Kind::Date,
            preg_match('/\b(price|amount|deposit|rent|fee|payment|money)\b/', $label) === 1 &&
                preg_match('/\b(days?|percent|due|how|in words)\b/', $label) !== 1 => Kind::Money,
            preg_match('/\b(percent|rate)\b|%/', $label) === 1 => Kind::Percent,
            preg_match('/^time\b|\btime$|\bhour$/', $label) === 1 => Kind::Time,
            preg_match('/\bnumber of\b|how many|year built|square f|\bacres\b|\bdays$/', $label) === 1 => Kind::Number,
            default => Kind::Text,
        };

        return ['kind' => $kind, 'binding' => BlankWords::binding($label, '', $kind)];
    }

    /**
     * What a PDF's pages seem to ask for, page after page from the top.
     *
     * @param int|null $only one page, from 1
     * @return list<ProposedBlank>
     *
     * @throws \Unanimus\Pages\PdfRefused when it is no usable PDF
     * @throws \Unanimus\Pages\ToolFailed when a page cannot be drawn
     */
    public static function of(string $pdf, ?int $only = null): array
    {
        $words = PageWords::of($pdf, $only);
        $pages = [];
        foreach (PdfLook::into($pdf)->pages() as $index => [, $height]) {
            $page = $index + 1;
            if ($only === null || $only === $page) {
                $pages[] = new PageRead($page, $height, $words[$page] ?? [], PageRules::of($pdf, $page));
            }
        }

        return self::on($pages);
    }

    /**
     * What pages that were read seem to ask for, from the top; no two blanks of one name.
     *
     * @param list<PageRead> $pages
     * @return list<ProposedBlank>
     */
    public static function on(array $pages): array
    {
        $proposal = new self();
        $proposed = [];
        foreach ($pages as $page) {
            array_push($proposed, ...$proposal->page($page));
        }

        return $proposed;
    }

    /** @return list<ProposedBlank> */
    private function page(PageRead $read): array
    {
        $page = $read->number;
        [$places, $words] = WritingPlaces::on($read->words, $read->rules);
        // Who signs where is found as on any paper that comes in.
        $marks = PageMarks::on($read, []);
        $proposed = [];
        foreach ($places as $place) {
            $around = new Surroundings($place, $places, $words);
            $label = $around->label();
            // Names stand at the head of a paper, signatures below.
            $mark = $place->place->y < self::HEAD * $read->height ? null : self::markAt($place, $marks);
            $kind = $mark->kind ?? self::kind($place, $label, $around);
            $kind = $kind === MarkKind::Signature || $mark !== null
                ? $kind
                : self::besideSignature($place, $label, $proposed, $page) ?? $kind;
            $binding = match (true) {
                $mark?->seat !== null => (string) $mark->seat,
                $kind instanceof MarkKind => self::seat($around, $proposed, $kind, $place),
                default => $place->shape === 'tick' ? null : BlankWords::binding($label, $around->after(), $kind),
            };
            // What a blank holds that follows a day is a day.
            $kind = $kind === Kind::Text && $binding !== null ? Bindings::kind($binding) ?? $kind : $kind;
            $label =
                $kind === Kind::Number && preg_match('/[^:\s]\s*$/', $around->after()) === 1
                    ? trim($label.' '.implode(' ', array_slice(explode(' ', $around->after()), 0, 2)), ' .,;')
                    : $label;
            $proposed[] = new ProposedBlank(
                $this->name($label, $kind),
                $kind,
                $label === '' ? ucfirst($kind->value) : $label,
                $page,
                $place->place,
                $binding,
                $place->by,
            );
        }

        return $proposed;
    }

    /**
     * What a signer makes in a place, where that is clear.
     *
     * @param list<ProposedMark> $marks
     */
    private static function markAt(WritingPlace $place, array $marks): ?ProposedMark
    {
        foreach ($marks as $mark) {
            $isThere = in_array($mark->kind, [MarkKind::Signature, MarkKind::Initials, MarkKind::Date, MarkKind::Name], true) &&
                abs($mark->place->x - $place->place->x) < 4 &&
                abs($mark->place->y + $mark->place->height - $place->place->y - $place->place->height) < 4;
            if ($isThere && $place->shape !== 'tick') {
                return $mark;
            }
        }

        return null;
    }

    /**
     * The date and the printed name that go with a signature stand right below or beside it.
     *
     * @param list<ProposedBlank> $before
     */
    private static function besideSignature(WritingPlace $place, string $label, array $before, int $page): ?MarkKind
    {
        $kind =
            preg_match('/\bdate$/i', $label) === 1
                ? MarkKind::Date
                : (preg_match('/^(print(ed)?|name|'.implode('|', array_keys(self::SEATS)).')\b.{0,16}$/i', $label) === 1
                    ? MarkKind::Name
                    : null);

        return $kind !== null && $place->shape !== 'tick' && self::signatureNear($place->place, $before, $page) !== null ? $kind : null;
    }

    /** @param  list<ProposedBlank>  $before */
    private static function signatureNear(Rect $place, array $before, int $page): ?ProposedBlank
    {
        foreach (array_reverse($before) as $one) {
            $below = $place->y + $place->height - $one->place->y - $one->place->height;
            if (
                $one->kind === MarkKind::Signature &&
                $one->page === $page &&
                $below > -4 &&
                $below < 34 &&
                ($below < 5
                    ? $place->x - $one->place->x - $one->place->width < 160 && $place->x > $one->place->x
                    : $place->x < $one->place->x + $one->place->width + 4 && $place->x + $place->width > $one->place->x - 4)
            ) {
                return $one;
            }
        }

        return null;
    }

    private static function kind(WritingPlace $place, string $label, Surroundings $around): Kind|MarkKind
    {
        $before = mb_strtolower($label);
        $after = mb_strtolower($around->after());
        if ($place->shape === 'tick' || ($place->place->width <= 45 && preg_match('/^(yes|no|n\/a)$/', $before) === 1)) {
            return Kind::Tick;
        }
        if ($place->place->width > 60 && preg_match('/signature|\bsign(ed)?\b( here)?$|^(x|by)$/', $before) === 1) {
            return MarkKind::Signature;
        }
        if (
            $place->place->width > 100 &&
            $place->by === 'ruled line' &&
            $around->before(30) === '' &&
            preg_match('/^('.implode('|', array_keys(self::SEATS)).')\b/', mb_strtolower(trim($around->below()))) === 1
        ) {
            return MarkKind::Signature;
        }
        if (
            $place->place->width < 130 &&
            (preg_match('/\binitials?\b/', $before) === 1 ||
                ($place->place->y > 690 &&
                    $place->place->width < 60 &&
                    preg_match('/^('.implode('|', array_keys(self::SEATS)).')\W{0,3}\d?$/', $before) === 1))
        ) {
            return MarkKind::Initials;
        }

        return match (true) {
            $place->by === 'underscores' && $place->caption !== '' => Kind::Date,
            $around->follows('$') || str_ends_with($before, '$') => Kind::Money,
            preg_match('/^(%|percent|per cent)/', $after) === 1 => Kind::Percent,
            preg_match(
                '/^(o.clock|a\.?m\b|p\.?m\b)/u',
                $after
            ) === 1 || preg_match('/\btime$|^time\b|\bhour$/', $before) === 1 => Kind::Time,
            preg_match('/\bdate(d)?\b|\bon or before$|\bday of$/', $before) === 1 && preg_match('/days/', $after) !== 1 => Kind::Date,
            preg_match('/^(business |calendar )?(days?|years?|months?|hours?|acres?|square|sq\b|miles?)/', $after) === 1 ||
                preg_match('/\bnumber of\b|how many|year built|square f|\bage\b|\bacres\b/', $before) === 1 => Kind::Number,
            preg_match('/\b(price|amount|deposit|rent|fee|payment)$/', $before) === 1 && $place->by !== 'cell' => Kind::Money,
            $place->place->height > 34 => Kind::Lines,
            default => Kind::Text,
        };
    }

    /** @param  list<ProposedBlank>  $before  The seat a signing place names; the same role again is its next number. */
    private static function seat(Surroundings $around, array $before, MarkKind $kind, WritingPlace $place): ?string
    {
        $beside =
            in_array($kind, [MarkKind::Date, MarkKind::Name], true) && $before !== []
                ? self::signatureNear($place->place, $before, end($before)->page)
                : null;
        if ($beside !== null) {
            return $beside->binding;
        }
        $words = mb_strtolower($around->label().' '.$around->near());
        foreach (self::SEATS as $word => $role) {
            if (preg_match('/\b'.$word.'(?:\W{0,3}s)?\W{0,4}(?:no\.?\W?|#)?\W?(\d)?/u', $words, $m) === 1) {
                $same = count(
                    array_filter(
                        $before,
                        static fn (ProposedBlank $one) => $one->kind === $kind &&
                            $kind === MarkKind::Signature &&
                            str_starts_with((string) $one->binding, "{$role}."),
                    ),
                );

                return $role.'.'.(isset($m[1]) ? max(1, (int) $m[1]) : min(9, $same + 1));
            }
        }

        return null;
    }

    private function name(string $label, Kind|MarkKind $kind): string
    {
        $plain = (string) transliterator_transliterate('Any-Latin; Latin-ASCII; Lower()', $label);
        $name = mb_strimwidth(trim((string) preg_replace('/[^a-z0-9]+/', '_', $plain), '_'), 0, 40) ?: $kind->value;
        $name = preg_match('/^[a-z]/', $name) === 1 ? $name : "b_{$name}";
        $this->names[$name] = ($this->names[$name] ?? 0) + 1;

        return $this->names[$name] === 1 ? $name : "{$name}_{$this->names[$name]}";
    }
}
