<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Unanimus\Parties\Side;

/**
 * What arrived by mail: as it was understood, to which file it seems to belong, and what became of it.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property string $message_id
 * @property string $sender
 * @property list<string> $recipients
 * @property string $subject
 * @property string $body
 * @property list<array{name: string, sha256: string, size: int, type?: string, paper?: bool}> $attachments
 * @property string $sha256 of the message as it came
 * @property Carbon $received_at
 * @property array{spf?: string, dkim?: string, dmarc?: string, proved?: bool} $proof
 * @property bool $is_auto whether a program answered
 * @property bool $speaks_of_wiring whether it speaks of money going elsewhere
 * @property int|null $guessed_file
 * @property string $guessed_by why, in words
 * @property float $sure
 * @property int|null $for_user whose own address it was sent to
 * @property int|null $filed_into
 * @property Side|null $filed_side whose own it is there; null: the whole file's
 * @property Carbon|null $settled_at when it was filed or put away
 * @property int|null $settled_by
 * @property int|null $answers_message which message of ours it answers
 * @property int|null $answers_letter which email of ours it answers
 * @property list<string> $names_before identifiers of the letters it answers, without brackets
 * @property-read DealFile|null $guess
 * @property-read DealFile|null $filed
 */
final class InboundItem extends Record
{
    use HasKey;

    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = [
        'attachments' => 'array',
        'recipients' => 'array',
        'proof' => 'array',
        'names_before' => 'array',
        'is_auto' => 'boolean',
        'speaks_of_wiring' => 'boolean',
        'sure' => 'float',
        'filed_side' => Side::class,
        'received_at' => 'datetime',
        'settled_at' => 'datetime',
    ];

    protected $attributes = [
        'recipients' => '[]',
        'proof' => '{}',
        'names_before' => '[]',
        'answers_message' => null,
        'answers_letter' => null,
        'is_auto' => false,
        'speaks_of_wiring' => false,
        'for_user' => null,
        'guessed_file' => null,
        'guessed_by' => '',
        'sure' => 0,
        'filed_into' => null,
        'filed_side' => null,
        'settled_at' => null,
        'settled_by' => null,
    ];

    /** @return BelongsTo<DealFile, $this> */
    public function guess(): BelongsTo
    {
        return $this->belongsTo(DealFile::class, 'guessed_file');
    }

    /** @return BelongsTo<DealFile, $this> */
    public function filed(): BelongsTo
    {
        return $this->belongsTo(DealFile::class, 'filed_into');
    }

    /** @return list<array{name: string, sha256: string, size: int, type?: string, paper?: bool}> what came along and is a paper */
    public function papers(): array
    {
        return array_values(array_filter($this->attachments, static fn (array $one) => $one['paper'] ?? true));
    }

    /** Notes that someone has read it in the file it is filed in. */
    public function noteLook(User $user): void
    {
        $this->filed_into === null || DB::table('message_looks')->insertOrIgnore([
            'brokerage_id' => $this->brokerage_id,
            'deal_file_id' => $this->filed_into,
            'thing' => "mail:{$this->id}",
            'user_id' => $user->id,
        ]);
    }

    /** Whether nobody has shown that it is from whom it says. */
    public function isUnproved(): bool
    {
        return ! ($this->proof['proved'] ?? false);
    }
}
