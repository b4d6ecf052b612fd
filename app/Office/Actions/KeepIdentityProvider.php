<?php

declare(strict_types=1);

namespace App\Office\Actions;

use App\History\History;
use App\Models\IdentityProvider;
use App\Models\User;
use App\Office\ProviderTalk;
use Unanimus\Access\AccessRefusal;
use Unanimus\Steps\StepRefused;

/** Says by which identity provider a brokerage signs in; it is asked for its places before it counts. */
final class KeepIdentityProvider
{
    public function __construct(private readonly ProviderTalk $talk)
    {
    }

    /**
     * @param string $secret empty to keep the one that is there
     * @param array{asks_second_step: bool, is_only: bool} $rules
     *
     * @throws StepRefused when it cannot be reached, or is not who it was said to be
     */
    public function __invoke(User $by, string $issuer, string $clientId, #[\SensitiveParameter] string $secret, array $rules): void
    {
        $this->talk->keys($this->talk->places($issuer)['jwks_uri'], anew: true);
        $there = IdentityProvider::query()->find($by->brokerage_id);
        $secret !== '' || $there !== null || throw AccessRefusal::CompanyNoPlace->because(
            issuer: $issuer,
            why: 'enter the secret that it gave you.',
        );
        $provider = $there ?? new IdentityProvider(['brokerage_id' => $by->brokerage_id]);
        // Another provider knows nobody by what this one called them.
        $there === null || $there->issuer === $issuer || self::forgetWhoIsWho($by->brokerage_id);
        $provider->forceFill(['issuer' => $issuer, 'client_id' => $clientId, ...$rules, 'changed_at' => now()]);
        $secret === '' || $provider->secret = $secret;
        $provider->save();
        History::ofBrokerage($by->brokerage_id, 'Company sign-in set', [
            'issuer' => $issuer,
            'client' => $clientId,
            'alone' => $rules['is_only'] ? 'yes' : 'no',
            'second step' => $rules['asks_second_step'] ? 'there' : 'here',
        ]);
    }

    public function end(User $by): void
    {
        $there = IdentityProvider::query()->find($by->brokerage_id);
        if ($there === null) {
            return;
        }
        $there->delete();
        self::forgetWhoIsWho($by->brokerage_id);
        History::ofBrokerage($by->brokerage_id, 'Company sign-in turned off', ['issuer' => $there->issuer]);
    }

    private static function forgetWhoIsWho(int $brokerageId): bool
    {
        User::query()->where('brokerage_id', $brokerageId)->whereNotNull('company_subject')->update(['company_subject' => null]);

        return true;
    }
}
