<?php

declare(strict_types=1);

namespace App\Commission;

use Unanimus\Commission\CommissionSheet;
use Unanimus\Commission\Payee;

/** The flow from the gross to every payee, widths to scale, in the drawing's own units. */
final readonly class FlowDrawing
{
    /** Where the streams begin and end, across: as wide as a page has room, and on a phone. */
    public const WIDE = [96, 384];

    public const NARROW = [12, 104];

    public const HEIGHT = 260;

    /** Room that a payee's three lines of text take. */
    private const ROOM = 50.0;

    /** @param  list<array{path: string, y: float, height: float, payee: Payee, tone: string}>  $streams */
    private function __construct(
        public array $streams,
        public float $top,
        public float $height,
        public float $tall,
        public int $left,
        public int $right,
    ) {
    }

    /** @param  array{int, int}  $across  WIDE or NARROW */
    public static function of(CommissionSheet $sheet, array $across = self::WIDE): self
    {
        [$left, $right] = $across;
        $bend = ($left + $right) / 2;
        $paid = array_values(array_filter($sheet->payees, static fn (Payee $payee) => ! $payee->amount->isNegative()));
        $tall = max((float) self::HEIGHT, 60 + self::ROOM * count($paid) + 150);
        $scale = 150 / max(1, $sheet->gross->cents);
        $top = ($tall - 150) / 2;
        $streams = [];
        [$from, $to] = [$top, 24.0];
        // What is left of the height when all widths and texts have their room lies between them.
        $gap = count($paid) < 2 ? 0.0 : max(0.0, ($tall - 60 - 150 - self::ROOM * count($paid)) / (count($paid) - 1));
        foreach ($paid as $payee) {
            $height = max(1.0, $payee->amount->cents * $scale);
            $path = sprintf(
                'M%5$d %1$.1fC%7$.0f %1$.1f %7$.0f %2$.1f %6$d %2$.1fV%3$.1fC%7$.0f %3$.1f %7$.0f %4$.1f %5$d %4$.1fZ',
                $from,
                $to,
                $to + $height,
                $from + $height,
                $left,
                $right,
                $bend,
            );
            $streams[] = [
                'path' => $path,
                'y' => $to,
                'height' => $height,
                'payee' => $payee,
                'tone' => match ($payee->role) {
                    'agent' => 'agent',
                    'company' => 'broker',
                    default => 'other',
                },
            ];
            $from += $height;
            $to += $height + self::ROOM + $gap;
        }

        return new self($streams, $top, 150, $tall, $left, $right);
    }
}
