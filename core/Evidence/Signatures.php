<?php

declare(strict_types=1);

namespace Unanimus\Evidence;

use Unanimus\Pages\PdfFields;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\PdfRefused;
use Unanimus\Pages\PdfString;
use Unanimus\Pages\Scratch;

/**
 * The digital signatures in a PDF: only what a signature field holds counts, and each is checked over the bytes it names.
 *
 * @link https://www.iso.org/standard/63534.html ISO 32000-1, 12.8.1 signature dictionary; 12.8.3 interoperability
 */
final class Signatures
{
    private function __construct(private readonly string $pdf, private readonly TrustList $trust, private readonly Scratch $scratch)
    {
    }

    /**
     * All of them, in the order they were made.
     *
     * @param string $pdf its bytes
     * @return list<Signature>
     *
     * @throws PdfRefused when it is no PDF that can be read
     * @throws \Unanimus\Pages\ToolFailed when the machine has no time
     */
    public static function in(string $pdf, TrustList $trust): array
    {
        $scratch = new Scratch();
        $look = PdfLook::into($scratch->put('file.pdf', $pdf), gate: false);
        $fields = PdfFields::of($look);
        $reader = new self($pdf, $trust, $scratch);
        $found = [];
        foreach ($fields->signed() as $field) {
            $dict = $fields->signature($field) ?? throw new \LogicException('A signed field holds a signature.');
            $range = array_map(static fn (mixed $edge) => $look->resolve($edge), (array) $look->resolve($dict->{'/ByteRange'}));
            $found[] = [(int) end($range) + (int) prev($range), $reader->signature($look, $dict, array_values($range))];
        }
        usort($found, static fn (array $a, array $b) => $a[0] <=> $b[0]);

        return array_column($found, 1);
    }

    /** @param  list<mixed>  $range */
    private function signature(PdfLook $look, \stdClass $dict, array $range): Signature
    {
        $filter = $look->resolve($dict->{'/SubFilter'} ?? null);
        $signedAt = self::date(PdfString::text($look->resolve($dict->{'/M'} ?? null)));
        $isStamp = $filter === '/ETSI.RFC3161';
        $no = static fn (string $fault) => new Signature('', '', Trust::Nobody, '', false, false, $fault, $signedAt, null, $isStamp);
        $parts = $this->parts($range, (string) $look->resolve($dict->{'/Contents'} ?? null));
        if (is_string($parts)) {
            return $no($parts);
        }
        [$content, $contents, $end] = $parts;
        try {
            $cms = match ($filter) {
                '/adbe.pkcs7.detached', '/ETSI.CAdES.detached' => SignedData::detached($contents, $content, $this->scratch),
                '/adbe.pkcs7.sha1' => SignedData::overDigest($contents, sha1($content, true), $this->scratch),
                '/ETSI.RFC3161' => SignedData::stamp($contents, $content, $this->scratch),
                '/adbe.x509.rsa_sha1' => SignedData::bare(
                    $contents,
                    $content,
                    (array) $look->resolve($dict->{'/Cert'} ?? []),
                    $this->scratch,
                ),
                default => throw new SealBroken('it is of a kind that is not known here.'),
            };
        } catch (SealBroken $broken) {
            return $no($broken->getMessage());
        }
        [$trust, $by] = $cms->vouchedBy($this->trust, $isStamp, $signedAt);
        $holds = $cms->holds && ($trust !== Trust::Ours || $cms->carriesOnly($this->trust));
        $stamped = $isStamp ? ($trust === Trust::Nobody ? null : $cms->stampedAt()) : $cms->provenAt($this->trust);

        return new Signature(
            $cms->signer(),
            $cms->organization(),
            $trust,
            $by,
            $holds,
            $end === strlen($this->pdf),
            $holds ? null : ($cms->holds ? 'a certificate in it was changed.' : $cms->fault),
            $signedAt,
            $stamped,
            $isStamp,
        );
    }

    /**
     * What is covered, the signature's own bytes, and where the covered part ends; or why it cannot be told.
     *
     * @param list<mixed> $range
     * @return array{string, string, int}|string
     */
    private function parts(array $range, string $told): array|string
    {
        $range = array_map(static fn (mixed $edge) => is_int($edge) ? $edge : -1, $range);
        if (
            count($range) !== 4 ||
            min($range) < 0 ||
            $range[0] !== 0 ||
            $range[2] <= $range[1] ||
            strlen($this->pdf) < $range[2] + $range[3]
        ) {
            return 'it does not say which part of the file it covers.';
        }
        $gap = substr($this->pdf, $range[1], $range[2] - $range[1]);
        if (preg_match('/^\s*<([0-9A-Fa-f\s]*)>\s*$/', $gap, $m) !== 1) {
            return 'it leaves out more of the file than itself.';
        }
        $hex = (string) preg_replace('/\s+/', '', $m[1]);
        $contents = (string) hex2bin(strlen($hex) % 2 === 0 ? $hex : $hex.'0');
        if ($told !== '' && str_starts_with($told, 'b:') && strcasecmp(substr($told, 2), bin2hex($contents)) !== 0) {
            return 'it covers another signature than its own.';
        }

        return [substr($this->pdf, 0, $range[1]).substr($this->pdf, $range[2], $range[3]), $contents, $range[2] + $range[3]];
    }

    /** A date as PDF writes it (ISO 32000-1, 7.9.4). */
    private static function date(string $text): ?string
    {
        if (preg_match('/^D:(\d{4})(\d\d)?(\d\d)?(\d\d)?(\d\d)?(\d\d)?(?:Z|([+-])(\d\d)\'?(\d\d)?)?/', $text, $m) !== 1) {
            return null;
        }
        $zone = ($m[7] ?? '') === '' ? '+00:00' : $m[7].($m[8] ?? '00').':'.($m[9] ?? '' ?: '00');
        $time = sprintf(
            '%s-%s-%sT%s:%s:%s%s',
            $m[1],
            $m[2] ?? '' ?: '01',
            $m[3] ?? '' ?: '01',
            $m[4] ?? '' ?: '00',
            $m[5] ?? '' ?: '00',
            $m[6] ?? '' ?: '00',
            $zone,
        );
        $at = \DateTimeImmutable::createFromFormat(DATE_ATOM, $time);

        return $at === false ? null : $at->format(DATE_ATOM);
    }
}
