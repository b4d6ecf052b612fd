<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\DealStatus;
use Unanimus\Messages\LetterAudience;
use Unanimus\Messages\LetterEvent;
use Unanimus\Terms\Term;

/**
 * A letter that an office has go out by itself: on what, to whom.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $office_id
 * @property int $form_letter_id
 * @property LetterEvent $event
 * @property string $detail a status as the history names it, a date, a part of a document's name
 * @property int $days ahead of a date
 * @property list<string> $audience
 * @property Carbon|null $on_since null: it is off
 * @property Carbon|null $removed_at
 * @property-read FormLetter $letter
 * @property-read Office $office
 */
final class LetterRule extends Record
{
    use HasKey;

    /** @var array<string, string> */
    protected $casts = ['event' => LetterEvent::class, 'audience' => 'array', 'on_since' => 'datetime', 'removed_at' => 'datetime'];

    protected $attributes = ['detail' => '', 'days' => 0, 'audience' => '[]', 'on_since' => null, 'removed_at' => null];

    /** @return BelongsTo<FormLetter, $this> */
    public function letter(): BelongsTo
    {
        return $this->belongsTo(FormLetter::class, 'form_letter_id');
    }

    /** @return BelongsTo<Office, $this> */
    public function office(): BelongsTo
    {
        return $this->belongsTo(Office::class);
    }

    /** When it goes out, in a sentence. */
    public function when(): string
    {
        $detail = match ($this->event) {
            LetterEvent::Status => mb_strtolower($this->detail),
            LetterEvent::Coming => mb_strtolower(Term::tryFrom($this->detail)?->label() ?? $this->detail),
            default => $this->detail,
        };

        return $this->event->when($detail, $this->days);
    }

    /** To whom, in words. */
    public function readers(): string
    {
        $labels = array_map(static fn (string $one) => LetterAudience::tryFrom($one)?->label() ?? '', $this->audience);

        return implode(', ', array_filter($labels));
    }

    /** @return list<LetterAudience> */
    public function audience(): array
    {
        return array_values(array_filter(array_map(LetterAudience::tryFrom(...), $this->audience)));
    }

    /** The day a date must be on to be told of on another. */
    public function dayAhead(LocalDate $today): LocalDate
    {
        return $today->plusDays($this->days);
    }

    /** @return list<string> statuses as the history names them */
    public static function statuses(): array
    {
        return array_map(static fn (DealStatus $status) => $status->label(), DealStatus::cases());
    }
}
