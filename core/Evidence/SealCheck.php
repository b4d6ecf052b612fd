<?php

declare(strict_types=1);

namespace Unanimus\Evidence;

use Unanimus\Pages\PdfRefused;

/**
 * Checks a sealed PDF: that the seal covers every byte, that no byte has changed, who sealed it, who vouches for that, and
 * when. Stricter than common readers: bytes hidden in the signature's own room or added at the end are found too. A seal
 * proves nothing until its certificate is held against roots that are trusted here.
 */
final readonly class SealCheck
{
    /** @param  list<Signature>  $signatures  in the order they were made */
    private function __construct(public SealAnswer $answer, public string $sentence, public ?string $sealedAt, public array $signatures)
    {
    }

    /**
     * Says whether a sealed PDF holds.
     *
     * @param string $pdf its bytes
     *
     * @throws \Unanimus\Pages\ToolFailed when the machine has no time
     */
    public static function of(string $pdf, TrustList $trust): self
    {
        try {
            $signatures = Signatures::in($pdf, $trust);
        } catch (PdfRefused $refused) {
            return new self(
                str_contains(substr($pdf, 0, 1024), '%PDF-') ? SealAnswer::Changed : SealAnswer::NotSealed,
                $refused->getMessage(),
                null,
                [],
            );
        }
        if ($signatures === []) {
            return new self(SealAnswer::NotSealed, 'There is no seal in this file.', null, []);
        }
        foreach ($signatures as $signature) {
            if (! $signature->intact) {
                return new self(SealAnswer::Changed, $signature->sentence(), null, $signatures);
            }
        }
        $last = $signatures[count($signatures) - 1];
        if (! $last->coversAll) {
            return new self(
                SealAnswer::AddedTo,
                'The seal does not cover the whole file: something was added to it after the last signature. '.$last->sentence(),
                null,
                $signatures,
            );
        }
        if ($last->trust !== Trust::Ours) {
            return new self(
                SealAnswer::AnotherHolds,
                implode(' ', array_map(static fn (Signature $one) => $one->sentence(), $signatures)).' It is not a seal of ours.',
                $last->stampedAt,
                $signatures,
            );
        }
        if ($last->stampedAt === null) {
            return new self(SealAnswer::Changed, 'The time stamp of the seal does not hold, or no one we know made it.', null, $signatures);
        }

        return new self(
            SealAnswer::Holds,
            "Every byte is under the seal of {$last->signer}; {$last->vouchedBy} vouches for it.",
            $last->stampedAt,
            $signatures,
        );
    }
}
