<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Pages\PlainText;
use Unanimus\Steps\StepRefused;

/**
 * A paper that a signer is asked to add while they sign: a pre-approval letter, a photograph of a check.
 */
final readonly class AskedPaper
{
    private const LONGEST = 120;

    /**
     * @param string $key in its round
     * @param string $title what it is, as the signer reads it and the file names it
     * @param bool $isRequired whether they cannot finish without it
     * @param int|null $place the paper of the file that waits for it
     */
    private function __construct(public string $key, public string $title, public bool $isRequired, public ?int $place)
    {
    }

    /**
     * @throws StepRefused when it has no name
     */
    public static function of(string $key, string $title, bool $isRequired = true, ?int $place = null): self
    {
        $title = trim((string) preg_replace('/\s+/u', ' ', PlainText::of($title)));

        return $title === ''
            ? throw SigningRefusal::NothingAskedFor->because()
            : new self($key, mb_strimwidth($title, 0, self::LONGEST, '…'), $isRequired, $place);
    }

    /** @param  array{key: string, title: string, required: bool, place: int|null}  $data  as from {@see toArray} */
    public static function fromArray(array $data): self
    {
        return new self($data['key'], $data['title'], $data['required'], $data['place']);
    }

    /** @return array{key: string, title: string, required: bool, place: int|null} its stored form */
    public function toArray(): array
    {
        return ['key' => $this->key, 'title' => $this->title, 'required' => $this->isRequired, 'place' => $this->place];
    }
}
