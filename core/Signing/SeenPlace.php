<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Pages\Rect;
use Unanimus\Pages\ToolFailed;

/**
 * A place to sign on a paper that no form is known for, as it came in: whose it seems to be, and whether somebody has written there.
 */
final readonly class SeenPlace
{
    private const KINDS = [MarkKind::Signature, MarkKind::Initials, MarkKind::Date];

    public function __construct(
        public MarkKind $kind,
        public ?Seat $seat,
        public int $page,
        public Rect $place,
        public float $sure,
        public bool $isWritten,
    ) {
    }

    /**
     * Looks at every signature, initials and date of a paper.
     *
     * @param list<Seat> $seats who is in the deal
     * @param bool $scans whether pages that are but pictures are read, which takes seconds for each
     * @return list<self>
     *
     * @throws \Unanimus\Pages\PdfRefused when it is no usable PDF
     * @throws ToolFailed when a page cannot be read or drawn
     */
    public static function on(string $pdf, array $seats, PrintedNames $names, bool $scans): array
    {
        $ink = $seen = [];
        foreach (MarkFinder::in($pdf, $seats, $scans, $names) as $mark) {
            if (in_array($mark->kind, self::KINDS, true)) {
                $ink[$mark->page] ??= LineInk::of($pdf, $mark->page);
                $isWritten = $ink[$mark->page]->isWritten($mark->place);
                $seen[] = new self($mark->kind, $mark->seat, $mark->page, $mark->place, $mark->sure, $isWritten);
            }
        }

        return $seen;
    }

    /** @return array{string, string, int, array{float, float, float, float}, float, bool} */
    public function toArray(): array
    {
        return [$this->kind->value, (string) $this->seat, $this->page, $this->place->toArray(), round($this->sure, 2), $this->isWritten];
    }

    /** @param  array<int, mixed>  $data  as written by {@see toArray} */
    public static function fromArray(array $data): ?self
    {
        $kind = MarkKind::tryFrom(is_string($data[0] ?? null) ? $data[0] : '');
        $place = $data[3] ?? null;
        if ($kind === null || ! is_array($place) || count($place) !== 4) {
            return null;
        }
        $seat = is_string($data[1] ?? null) && $data[1] !== '' ? Seat::of($data[1]) : null;

        return new self(
            $kind,
            $seat,
            (int) ($data[2] ?? 0),
            new Rect(...array_map(floatval(...), array_values($place))),
            (float) ($data[4] ?? 0),
            (bool) ($data[5] ?? false),
        );
    }
}
