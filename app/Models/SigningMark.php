<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Unanimus\Pages\Rect;
use Unanimus\Signing\MarkKind;
use Unanimus\Signing\Seat;

/**
 * A place on a page of a round that a signer fills.
 *
 * @property int $id
 * @property string $key
 * @property int $round_id
 * @property int $round_paper_id
 * @property string $seat
 * @property MarkKind $kind
 * @property int $page
 * @property string $x
 * @property string $y
 * @property string $width
 * @property string $height
 * @property int $position
 * @property float|null $sure how sure it is of a place that was found and not kept yet; null: kept, or put there by hand
 */
final class SigningMark extends Record
{
    use HasKey;

    public $timestamps = false;

    protected $table = 'marks';

    /** @var array<string, string> */
    protected $casts = ['kind' => MarkKind::class, 'sure' => 'float'];

    protected $attributes = ['sure' => null];

    public function place(): Rect
    {
        return new Rect((float) $this->x, (float) $this->y, (float) $this->width, (float) $this->height);
    }

    public function seatOf(): Seat
    {
        return Seat::of($this->seat);
    }
}
