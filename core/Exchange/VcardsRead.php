<?php

declare(strict_types=1);

namespace Unanimus\Exchange;

/**
 * What was read of a file of vCards, and what was not.
 */
final readonly class VcardsRead
{
    /**
     * @param list<Vcard> $cards
     * @param int $broken how many could not be read
     * @param int $over how many there were beyond what is read in one go
     * @param bool $aside whether they hold more than is kept of them
     */
    public function __construct(public array $cards, public int $broken, public int $over, public bool $aside)
    {
    }

    /** What was not taken over, in words; empty when everything was. */
    public function told(): string
    {
        return implode(
            ' ',
            array_filter(
                [
                    $this->broken === 0
                        ? ''
                        : ($this->broken === 1
                            ? 'One card could not be read: it is cut off, or has no name.'
                            : "{$this->broken} cards could not be read: they are cut off, or have no name."),
                    $this->over === 0
                        ? ''
                        : "{$this->over} more were left out; ".
                            number_format(Vcard::MOST).
                            ' are read in one go. Upload the rest as a file of its own.',
                    $this->aside
                        ? 'Pictures, second addresses and whatever else the cards hold were left out; the address book keeps name, '.
                            'company, one email address, one phone number, and one address.'
                        : '',
                ],
                static fn (string $told) => $told !== '',
            ),
        );
    }
}
