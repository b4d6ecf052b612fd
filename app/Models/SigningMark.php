<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Unanimus\Pages\Rect;
use Unanimus\Signing\Act;
use Unanimus\Signing\MarkKind;
use Unanimus\Signing\MarkTerms;
use Unanimus\Signing\PlannedMark;
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
 * @property array<string, string|bool> $terms what is asked there beyond its kind, as {@see MarkTerms} writes it
 * @property string $covers printed words that lie under it
 * @property float|null $sure how sure it is of a place that was found and not kept yet; null: kept, or put there by hand
 */
final class SigningMark extends Record
{
    use HasKey;

    public $timestamps = false;

    protected $table = 'marks';

    /** @var array<string, string> */
    protected $casts = ['kind' => MarkKind::class, 'terms' => 'array', 'sure' => 'float'];

    protected $attributes = ['sure' => null, 'terms' => '{}', 'covers' => ''];

    public function place(): Rect
    {
        $at = $this->attributes;

        return new Rect((float) $at['x'], (float) $at['y'], (float) $at['width'], (float) $at['height']);
    }

    /**
     * As the desk draws it. A set has hundreds of them: read as they are stored.
     *
     * @return array<string, mixed>
     */
    public function onDesk(int $paper): array
    {
        $has = $this->attributes;

        return [
            'key' => $has['key'],
            'paper' => $paper,
            'page' => (int) $has['page'],
            'seat' => $has['seat'],
            'kind' => $has['kind'] instanceof MarkKind ? $has['kind']->value : $has['kind'],
            'place' => [(float) $has['x'], (float) $has['y'], (float) $has['width'], (float) $has['height']],
            'terms' => (object) $this->terms,
            'sure' => $has['sure'] === null ? null : (float) $has['sure'],
        ];
    }

    /** As a round is looked over for what is wrong. */
    public function planned(string $paper): PlannedMark
    {
        $has = $this->attributes;

        return new PlannedMark(
            $has['key'],
            $paper,
            (int) $has['page'],
            Seat::of($has['seat']),
            $this->kind,
            $this->place(),
            $has['covers'],
        );
    }

    public function terms(): MarkTerms
    {
        return MarkTerms::fromArray($this->kind, $this->terms);
    }

    /** What its signer does there; null when it comes by itself or the sender has entered it. */
    public function act(): ?Act
    {
        $terms = $this->terms();

        return $this->kind->isAutomatic() || $terms->filled !== null
            ? null
            : new Act($this->key, $terms->isRequired, $terms->group, $terms->when, $this->kind->isEntered());
    }

    public function seatOf(): Seat
    {
        return Seat::of($this->seat);
    }
}
