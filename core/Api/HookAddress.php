<?php

declare(strict_types=1);

namespace Unanimus\Api;

use Unanimus\Steps\StepRefused;

/**
 * Where a webhook calls. Nobody makes us call our own machines: the address is an https one, and what its name stands for is looked
 * at again at each call.
 */
final readonly class HookAddress
{
    private function __construct(public string $url, public string $host, public int $port)
    {
    }

    /**
     * @param bool $anywhere whether addresses of this network and plain http will do, for trying it out
     *
     * @throws StepRefused when it is no address to call
     */
    public static function of(string $typed, bool $anywhere = false): self
    {
        $url = trim($typed);
        $parts = parse_url($url);
        $scheme = strtolower((string) ($parts['scheme'] ?? ''));
        $host = trim(strtolower((string) ($parts['host'] ?? '')), '[]');
        $isOne = strlen($url) <= 500 && $host !== '' && ! isset($parts['user'], $parts['pass']) && ! isset($parts['user'])
            && preg_match('/[\s\x00-\x1f\x7f]/', $url) === 0
            && ($scheme === 'https' || ($anywhere && $scheme === 'http'));
        $isOne || throw ApiRefusal::NoAddress->because();
        $isLocal = filter_var($host, FILTER_VALIDATE_IP) !== false
            ? ! self::isPublic($host)
            : ! str_contains($host, '.') || preg_match('/\.(localhost|local|internal)$/', $host) === 1;
        $anywhere || ! $isLocal || throw ApiRefusal::OwnNetwork->because();

        return new self($url, $host, (int) ($parts['port'] ?? ($scheme === 'https' ? 443 : 80)));
    }

    /** Whether an IP address is one of the open internet. */
    public static function isPublic(string $ip): bool
    {
        $embedded = preg_match('/^(?:::ffff:|64:ff9b::)(\d+\.\d+\.\d+\.\d+)$/i', $ip, $parts) === 1 ? $parts[1] : $ip;

        return filter_var($embedded, FILTER_VALIDATE_IP, FILTER_FLAG_NO_PRIV_RANGE | FILTER_FLAG_NO_RES_RANGE) !== false
            && preg_match('/^(100\.(6[4-9]|[7-9]\d|1[01]\d|12[0-7])\.|192\.0\.0\.|198\.1[89]\.|22[4-9]\.|23\d\.)/', $embedded) === 0
            && preg_match('/^(ff|fe[89ab]|fec|64:ff9b)/i', $embedded) === 0;
    }
}
