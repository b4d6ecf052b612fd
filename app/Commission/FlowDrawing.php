<?php

declare(strict_types=1);

namespace App\Commission;

use Unanimus\Commission\CommissionSheet;
use Unanimus\Commission\Payee;

/** The flow from the gross to every payee, widths to scale, in the drawing's own units. */
final readonly class FlowDrawing
{
    public const WIDTH = 640;

    public const HEIGHT = 260;

    /** @param  list<array{path: string, y: float, height: float, payee: Payee, tone: string}>  $streams */
    private function __construct(public array $streams, public float $top, public float $height)
    {
    }

    public static function of(CommissionSheet $sheet): self
    {
        $scale = 150 / max(1, $sheet->gross->cents);
        $top = (self::HEIGHT - 150) / 2;
        $streams = [];
        [$from, $to] = [$top, 24.0];
        foreach ($sheet->payees as $payee) {
            $height = max(1.0, $payee->amount->cents * $scale);
            $path = sprintf(
                'M96 %1$.1fC240 %1$.1f 240 %2$.1f 384 %2$.1fV%3$.1fC240 %3$.1f 240 %4$.1f 96 %4$.1fZ',
                $from,
                $to,
                $to + $height,
                $from + $height,
            );
            $streams[] = [
                'path' => $path,
                'y' => $to,
                'height' => $height,
                'payee' => $payee,
                'tone' => $payee->role === 'agent' ? 'agent' : 'broker',
            ];
            $from += $height;
            $to += $height + max(46.0, self::HEIGHT - 48 - 150);
        }

        return new self($streams, $top, 150);
    }
}
