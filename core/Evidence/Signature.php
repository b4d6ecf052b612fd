<?php

declare(strict_types=1);

namespace Unanimus\Evidence;

/**
 * One digital signature in a PDF, as it was found.
 */
final readonly class Signature
{
    /**
     * @param string $signer name in the certificate; empty when it could not be read
     * @param string $organization of the signer, as the certificate says
     * @param string $vouchedBy name of the trusted root above the certificate; empty when there is none
     * @param bool $intact whether what it covers is as it was signed
     * @param bool $coversAll whether it covers the file to its end
     * @param string|null $fault why it does not hold, in words
     * @param string|null $signedAt what the signer says, ISO 8601
     * @param string|null $stampedAt what a trusted time stamp says, ISO 8601
     * @param bool $isStamp whether it is a time stamp over the document and nobody's signature
     */
    public function __construct(
        public string $signer,
        public string $organization,
        public Trust $trust,
        public string $vouchedBy,
        public bool $intact,
        public bool $coversAll,
        public ?string $fault,
        public ?string $signedAt,
        public ?string $stampedAt,
        public bool $isStamp,
    ) {
    }

    /** What is said of it to whoever uploads or reads the file. */
    public function sentence(): string
    {
        $who =
            $this->signer === ''
                ? 'someone whose name cannot be read'
                : $this->signer.($this->organization === '' || $this->organization === $this->signer ? '' : " ({$this->organization})");
        $vouched = $this->vouchedBy === '' ? 'no one we know vouches for that name' : "{$this->vouchedBy} vouches for that name";

        return match (true) {
            $this->fault !== null && $this->signer === '' => "It has a digital signature that cannot be checked: {$this->fault}",
            ! $this->intact => "It was signed by {$who}, then changed: {$this->fault}",
            $this->isStamp => "It has a time stamp by {$who}; {$vouched}.",
            ! $this->coversAll => "It was signed by {$who}; {$vouched}. Something was added to the file after that signature.",
            default => "It is signed by {$who} and is as it was signed; {$vouched}.",
        };
    }
}
