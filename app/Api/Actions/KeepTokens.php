<?php

declare(strict_types=1);

namespace App\Api\Actions;

use App\History\History;
use App\Models\ApiToken;
use App\Models\User;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Unanimus\Api\ApiRefusal;
use Unanimus\Api\ApiScope;
use Unanimus\Steps\StepRefused;

/** Tokens of a person: made, shown once, ended. */
final class KeepTokens
{
    private const MOST = 20;

    /**
     * @param list<ApiScope> $scopes
     * @param int|null $days after which it ends; null: when it is revoked
     * @return string the token itself, which is kept nowhere
     *
     * @throws StepRefused when it has no name or purpose, or there are too many
     */
    public function make(User $by, string $name, array $scopes, ?int $days): string
    {
        trim($name) === '' && throw ApiRefusal::NoName->because();
        $scopes === [] && throw ApiRefusal::NoScope->because();
        DB::table('users')->where('id', $by->id)->lockForUpdate()->value('id');
        // Pressed twice, the one that is shown takes the place of the one that nobody saw.
        ApiToken::query()->where(['tokenable_id' => $by->id, 'name' => trim($name)])->whereNull('revoked_at')->whereNull('last_used_at')
            ->where('created_at', '>', now()->subSeconds(10))->update(['revoked_at' => now()]);
        $count = ApiToken::query()->where('tokenable_id', $by->id)->whereNull('revoked_at')->count();
        $count < self::MOST || throw ApiRefusal::TooMany->because(count: $count);
        $plain = 'una_'.bin2hex(random_bytes(24));
        ApiToken::query()->create([
            'brokerage_id' => $by->brokerage_id,
            'tokenable_type' => User::class,
            'tokenable_id' => $by->id,
            'name' => trim($name),
            'token' => hash('sha256', $plain),
            'abilities' => array_map(static fn (ApiScope $scope) => $scope->value, $scopes),
            'expires_at' => $days === null ? null : Carbon::now()->addDays($days),
        ]);
        History::ofBrokerage($by->brokerage_id, 'Access token made', [
            'token' => trim($name),
            'for' => implode(', ', array_map(static fn (ApiScope $scope) => $scope->value, $scopes)),
        ]);

        return $plain;
    }

    /** From this moment it opens nothing. */
    public function revoke(ApiToken $token): void
    {
        if ($token->revoked_at !== null) {
            return;
        }
        $token->forceFill(['revoked_at' => now()])->save();
        History::ofBrokerage($token->brokerage_id, 'Access token revoked', ['token' => $token->name]);
    }
}
