<?php

declare(strict_types=1);

namespace App\Office;

use App\Access\Outside;
use App\Models\IdentityProvider;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Support\Facades\Cache;
use Unanimus\Access\AccessRefusal;
use Unanimus\Api\HookAddress;
use Unanimus\Steps\StepRefused;

/** What is asked of an identity provider: where its places are, what its keys are, and a token for a code. */
final class ProviderTalk
{
    private const PLACES = ['authorization_endpoint', 'token_endpoint', 'jwks_uri'];

    /**
     * OpenID Connect Discovery 1.0, section 4.
     *
     * @return array{authorization_endpoint: string, token_endpoint: string, jwks_uri: string}
     *
     * @throws StepRefused when it does not answer, or is not who it was said to be
     */
    public function places(string $issuer): array
    {
        return Cache::remember('identity-provider:'.hash('sha256', $issuer), 600, function () use ($issuer): array {
            $says = $this->json(rtrim($issuer, '/').'/.well-known/openid-configuration');
            ($says['issuer'] ?? null) === $issuer || throw AccessRefusal::CompanyNoPlace->because(
                issuer: $issuer,
                why: is_string($says['issuer'] ?? null) ? "it calls itself {$says['issuer']}." : 'it does not say who it is.',
            );
            $places = [];
            foreach (self::PLACES as $place) {
                is_string($says[$place] ?? null) || throw AccessRefusal::CompanyNoPlace->because(
                    issuer: $issuer,
                    why: "it does not say its {$place}.",
                );
                // People are sent to one of them: it is an address, and none of another kind.
                $places[$place] = HookAddress::of($says[$place], (bool) config('unanimus.hooks_anywhere'))->url;
            }

            return $places;
        });
    }

    /**
     * The provider's keys; asked for anew when a token is by one that is not among them.
     *
     * @return array<string, mixed>
     *
     * @throws StepRefused
     */
    public function keys(string $at, bool $anew = false): array
    {
        $name = 'identity-keys:'.hash('sha256', $at);
        $anew && Cache::forget($name);

        return Cache::remember($name, 600, fn (): array => $this->json($at));
    }

    /**
     * RFC 6749, section 4.1.3, with the proof of RFC 7636.
     *
     * @throws StepRefused
     */
    public function token(IdentityProvider $provider, string $at, string $code, string $verifier, string $back): string
    {
        try {
            $call = Outside::at($at)->asForm()->withBasicAuth(rawurlencode($provider->client_id), rawurlencode($provider->secret));
            $answer = $call->post($at, [
                'grant_type' => 'authorization_code',
                'code' => $code,
                'redirect_uri' => $back,
                'client_id' => $provider->client_id,
                'code_verifier' => $verifier,
            ]);
        } catch (ConnectionException) {
            throw AccessRefusal::CompanyAway->because();
        }
        $token = $answer->successful() ? $answer->json('id_token') : null;

        return is_string($token) ? $token : throw AccessRefusal::CompanyAnswer->because();
    }

    /** @return array<string, mixed> */
    private function json(string $at): array
    {
        try {
            $answer = Outside::at($at)->acceptJson()->get($at);
        } catch (ConnectionException) {
            throw AccessRefusal::CompanyAway->because();
        }
        $says = $answer->successful() ? $answer->json() : null;

        return is_array($says) ? $says : throw AccessRefusal::CompanyAway->because();
    }
}
