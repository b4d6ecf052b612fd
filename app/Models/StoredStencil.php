<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Illuminate\Support\Carbon;
use Unanimus\Signing\Stencil;
use Unanimus\Terms\Agency;

/**
 * A stencil of the brokerage or of one person.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int|null $user_id whose own it is; null: everyone's
 * @property int $created_by
 * @property string $name
 * @property array{pages: list<array<string, mixed>>, marks: non-empty-list<array<string, mixed>>, title: list<string>} $definition
 * @property int $used how often
 * @property Carbon|null $used_at
 * @property bool $put_away
 * @property Agency|null $agency the relationship of the files it is meant for; null: any
 */
final class StoredStencil extends Record
{
    use HasKey;

    protected $table = 'stencils';

    /** @var array<string, string> */
    protected $casts = ['definition' => 'array', 'used_at' => 'datetime', 'put_away' => 'boolean', 'agency' => Agency::class];

    protected $attributes = ['user_id' => null, 'used' => 0, 'used_at' => null, 'put_away' => false, 'agency' => null];

    public function stencil(): Stencil
    {
        return Stencil::fromArray($this->definition);
    }

    /** Whether someone may rename it, put it away or save over it: their own, what they made, and for those who keep forms all. */
    public function isKeptBy(User $user): bool
    {
        return $this->user_id === $user->id || $this->user_id === null && ($this->created_by === $user->id || $user->can('make-forms'));
    }
}
