<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use App\Models\Concerns\HasLink;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Unanimus\Parties\Language;
use Unanimus\Parties\Side;

/**
 * A client's own page, which they open by a link.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $deal_file_id
 * @property int $party_id
 * @property Side|null $side
 * @property int $link_version
 * @property bool $is_on
 * @property Language $language
 * @property int $user_id who turned it on
 * @property Carbon|null $opened_at
 * @property-read DealFile $file
 * @property-read Party $party
 * @property-read User $agent
 */
final class ClientPage extends Record
{
    use HasKey;
    use HasLink;

    private const LINK = 'client';

    private const FOUND_BY = 'client_page_of_link';

    /** @var array<string, string> */
    protected $casts = ['side' => Side::class, 'language' => Language::class, 'is_on' => 'boolean', 'opened_at' => 'datetime'];

    protected $attributes = ['side' => null, 'link_version' => 1, 'is_on' => true, 'language' => 'en', 'opened_at' => null];

    /** @return BelongsTo<DealFile, $this> */
    public function file(): BelongsTo
    {
        return $this->belongsTo(DealFile::class, 'deal_file_id');
    }

    /** @return BelongsTo<Party, $this> */
    public function party(): BelongsTo
    {
        return $this->belongsTo(Party::class);
    }

    /** @return BelongsTo<User, $this> */
    public function agent(): BelongsTo
    {
        return $this->belongsTo(User::class, 'user_id');
    }

    /** Notes that a person looked at it. */
    public function noteOpened(): void
    {
        $this->update(['opened_at' => now()]);
    }
}
