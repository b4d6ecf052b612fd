<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;
use Unanimus\Messages\PlannedLetter;
use Unanimus\Messages\Recipient;
use Unanimus\Parties\Side;

/**
 * What someone writes in a file: a letter to its people, or a note to colleagues.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $deal_file_id
 * @property Side|null $side whose affair it is; null: everyone's on the file
 * @property int|null $user_id who writes; null: a rule of the office
 * @property string $kind letter, note
 * @property string $state draft, waiting, sent
 * @property string $subject
 * @property string $body with its fields in braces
 * @property list<array{name: string, address: string, seat: string|null}> $recipients
 * @property bool $apart one letter to each
 * @property list<string> $papers keys
 * @property bool $as_link whether the papers go as a link
 * @property list<array{to: list<array{name: string, address: string, seat: string|null}>, subject: string, body: string}> $planned
 * @property int|null $set_id of the papers put together for a link
 * @property int|null $answers
 * @property int|null $letter_rule_id
 * @property Carbon|null $send_at
 * @property Carbon|null $sent_at
 * @property string $held_because
 * @property string $opened_in the window in which its draft was opened last
 * @property Carbon $created_at
 * @property Carbon $updated_at
 * @property-read DealFile $file
 * @property-read User|null $writer
 * @property-read InboundItem|null $answered
 * @property-read Collection<int, Letter> $letters
 */
final class Message extends Record
{
    use HasKey;

    /** @var array<string, string> */
    protected $casts = [
        'side' => Side::class,
        'recipients' => 'array',
        'papers' => 'array',
        'planned' => 'array',
        'apart' => 'boolean',
        'as_link' => 'boolean',
        'send_at' => 'datetime',
        'sent_at' => 'datetime',
    ];

    protected $attributes = [
        'side' => null,
        'kind' => 'letter',
        'state' => 'draft',
        'subject' => '',
        'body' => '',
        'recipients' => '[]',
        'apart' => false,
        'papers' => '[]',
        'as_link' => false,
        'planned' => '[]',
        'set_id' => null,
        'answers' => null,
        'letter_rule_id' => null,
        'send_at' => null,
        'sent_at' => null,
        'held_because' => '',
        'opened_in' => '',
    ];

    /** @return BelongsTo<DealFile, $this> */
    public function file(): BelongsTo
    {
        return $this->belongsTo(DealFile::class, 'deal_file_id');
    }

    /** @return BelongsTo<User, $this> */
    public function writer(): BelongsTo
    {
        return $this->belongsTo(User::class, 'user_id');
    }

    /** @return BelongsTo<InboundItem, $this> */
    public function answered(): BelongsTo
    {
        return $this->belongsTo(InboundItem::class, 'answers');
    }

    /** @return HasMany<Letter, $this> what went out of it */
    public function letters(): HasMany
    {
        return $this->hasMany(Letter::class, 'message_id');
    }

    /** @return list<Recipient> */
    public function to(): array
    {
        return array_map(Recipient::fromArray(...), $this->recipients);
    }

    /** @return list<PlannedLetter> as worded when it was sent */
    public function planned(): array
    {
        $letters = [];
        foreach ($this->planned as $one) {
            $to = array_map(Recipient::fromArray(...), $one['to']);
            $to === [] || ($letters[] = new PlannedLetter($to, $one['subject'], $one['body']));
        }

        return $letters;
    }

    public function isDraft(): bool
    {
        return $this->state === 'draft';
    }
}
