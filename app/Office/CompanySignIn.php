<?php

declare(strict_types=1);

namespace App\Office;

use App\History\History;
use App\Models\IdentityProvider;
use App\Models\Sight;
use App\Models\User;
use Illuminate\Contracts\Session\Session;
use Illuminate\Support\Str;
use Unanimus\Access\AccessRefusal;
use Unanimus\Access\IdToken;
use Unanimus\Steps\StepRefused;

/**
 * Signing in by the brokerage's own identity provider: the authorization code flow of OpenID Connect with PKCE. What was asked stays in
 * the session of whoever asked, so that an answer to another's question signs nobody in.
 */
final class CompanySignIn
{
    private const ASKED = 'company-sign-in';

    /** Seconds for which an answer is waited for. */
    private const WAITS = 900;

    public function __construct(private readonly ProviderTalk $talk)
    {
    }

    /**
     * Where somebody is sent to sign in.
     *
     * @throws StepRefused when their provider does not answer
     */
    public function begin(IdentityProvider $provider, string $email, Session $session): string
    {
        $places = $this->talk->places($provider->issuer);
        $asked = ['state' => Str::random(40), 'nonce' => Str::random(40), 'verifier' => Str::random(64)];
        $session->put(self::ASKED, [...$asked, 'email' => $email, 'at' => now()->getTimestamp()]);

        return $places['authorization_endpoint'].(str_contains($places['authorization_endpoint'], '?') ? '&' : '?').http_build_query([
            'response_type' => 'code',
            'client_id' => $provider->client_id,
            'redirect_uri' => self::back(),
            'scope' => 'openid email profile',
            'state' => $asked['state'],
            'nonce' => $asked['nonce'],
            'code_challenge' => rtrim(strtr(base64_encode(hash('sha256', $asked['verifier'], true)), '+/', '-_'), '='),
            'code_challenge_method' => 'S256',
            'login_hint' => $email,
        ]);
    }

    /**
     * Who came back; each answer is taken once.
     *
     * @return array{User, IdentityProvider}
     *
     * @throws StepRefused when it is no answer to what was asked, or nobody's here
     */
    public function finish(string $state, string $code, Session $session): array
    {
        $asked = (array) $session->pull(self::ASKED, []);
        $isAnswer = $code !== '' && is_string($asked['state'] ?? null) && hash_equals($asked['state'], $state)
            && now()->getTimestamp() - (int) $asked['at'] < self::WAITS;
        $isAnswer || throw AccessRefusal::CompanyAnswer->because();
        $provider = IdentityProvider::for((string) $asked['email']) ?? throw AccessRefusal::CompanyAnswer->because();
        $places = $this->talk->places($provider->issuer);
        $token = $this->talk->token($provider, $places['token_endpoint'], $code, (string) $asked['verifier'], self::back());

        return [$this->known($provider, $this->read($token, $places['jwks_uri'], $provider, (string) $asked['nonce'])), $provider];
    }

    /** The address that is told to the provider. */
    public static function back(): string
    {
        return url('/sign-in/company/back');
    }

    private function read(string $token, string $keys, IdentityProvider $provider, string $nonce): IdToken
    {
        $read = fn (bool $anew): IdToken => IdToken::read(
            $token,
            $this->talk->keys($keys, $anew),
            $provider->issuer,
            $provider->client_id,
            $nonce,
            now()->getTimestamp(),
        );
        try {
            return $read(false);
        } catch (StepRefused $refused) {
            // It may sign with a key that is newer than those we know.
            $refused->reason === AccessRefusal::CompanyAnswer || throw $refused;

            return $read(true);
        }
    }

    /** By what the provider calls them, once that is known; their address may change there. The first time, by their address. */
    private function known(IdentityProvider $provider, IdToken $token): User
    {
        return Sight::within($provider->brokerage_id, static function () use ($provider, $token): User {
            $colleagues = User::query()->where('brokerage_id', $provider->brokerage_id)->where('active', true)->where('guest', false);
            $user = $colleagues->clone()->where('company_subject', $token->subject)->first();
            if ($user !== null) {
                return $user;
            }
            $user = $colleagues->whereRaw('lower(email) = lower(?)', [$token->email])->lockForUpdate()->first()
                ?? throw AccessRefusal::CompanyStranger->because(email: $token->email);
            $user->company_subject === null || throw AccessRefusal::CompanyOther->because(email: $token->email);
            $user->forceFill(['company_subject' => $token->subject])->save();
            History::ofBrokerage($provider->brokerage_id, 'Company account connected', ['person' => $user->name, 'email' => $token->email]);

            return $user;
        });
    }
}
