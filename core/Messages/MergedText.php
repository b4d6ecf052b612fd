<?php

declare(strict_types=1);

namespace Unanimus\Messages;

use Unanimus\Steps\StepRefused;

/** A letter with its fields filled in, as far as they are known. */
final readonly class MergedText
{
    /** @param  list<MergedPiece>  $pieces */
    public function __construct(public array $pieces)
    {
    }

    /** @return list<string> what fields without a value are called, each once */
    public function empty(): array
    {
        return $this->told(static fn (MergedPiece $piece) => $piece->isEmpty);
    }

    /** @return list<string> what stands in braces and is no field, each once */
    public function unknown(): array
    {
        return $this->told(static fn (MergedPiece $piece) => $piece->isUnknown);
    }

    /** The words as far as they are known, in a list of drafts: what is missing is left open. */
    public function shown(): string
    {
        return implode('', array_map(
            static fn (MergedPiece $piece) => $piece->isEmpty || $piece->isUnknown ? '…' : $piece->text,
            $this->pieces,
        ));
    }

    /**
     * The words as they go out.
     *
     * @throws StepRefused when a field is unknown or has no value: no code is ever sent
     */
    public function words(): string
    {
        foreach ($this->unknown() as $field) {
            throw MessageRefusal::UnknownField->because(field: $field);
        }
        foreach ($this->empty() as $field) {
            throw MessageRefusal::EmptyField->because(field: "“{$field}”");
        }

        return implode('', array_map(static fn (MergedPiece $piece) => $piece->text, $this->pieces));
    }

    /**
     * @param \Closure(MergedPiece): bool $which
     * @return list<string>
     */
    private function told(\Closure $which): array
    {
        return array_values(array_unique(array_map(
            static fn (MergedPiece $piece) => $piece->text,
            array_filter($this->pieces, $which),
        )));
    }
}
