<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/** How papers are put together. */
final readonly class SetOptions
{
    public function __construct(
        public PageStamp $stamp = PageStamp::Count,
        public bool $cover = false,
        public bool $leaveBlankOut = false,
    ) {
    }

    /** @param  array<string, mixed>  $data */
    public static function fromArray(array $data): self
    {
        return new self(
            PageStamp::tryFrom(is_string($data['stamp'] ?? null) ? $data['stamp'] : '') ?? PageStamp::Count,
            (bool) ($data['cover'] ?? false),
            (bool) ($data['blank'] ?? false),
        );
    }

    /** @return array{stamp: string, cover: bool, blank: bool} */
    public function toArray(): array
    {
        return ['stamp' => $this->stamp->value, 'cover' => $this->cover, 'blank' => $this->leaveBlankOut];
    }
}
