<?php

declare(strict_types=1);

namespace App\Intake\Actions;

use App\Files\MailAddress;
use App\Models\InboundItem;
use App\Models\Sight;
use App\Models\User;
use Symfony\Component\Mime\Address;
use Symfony\Component\Mime\Email;
use Unanimus\Intake\BringRefused;
use Unanimus\Intake\BroughtKind;
use Unanimus\Intake\Converter;
use Unanimus\Intake\PackedFiles;
use Unanimus\Intake\Photos;
use Unanimus\Pages\Scratch;

/**
 * Files that somebody drops on the inbox come in as an email from themselves to themselves would: read, guessed at and sorted the
 * same way; so is what stands in a ZIP. Photos dropped together become the pages of one paper.
 */
final class DropFiles
{
    /** Bytes of all files together: a letter of them is as large as one that a mail server takes. */
    private const MOST = 45_000_000;

    public function __construct(private readonly TakeMail $take, private readonly Photos $photos, private readonly Converter $converter)
    {
    }

    /**
     * @param array<string, string> $files paths, by the name of each
     * @param string $key given by the page, the same for every try
     *
     * @throws BringRefused when one cannot be taken; none is then
     */
    public function __invoke(User $by, array $files, string $key): InboundItem
    {
        $message = "dropped-{$key}@".config('unanimus.intake.domain');
        $there = InboundItem::query()->where('message_id', $message)->first();
        if ($there !== null) {
            return $there;
        }
        $scratch = new Scratch();
        $parts = $this->parts($files, $scratch);
        if (array_sum(array_map(static fn (array $part) => (int) filesize($part[0]), $parts)) > self::MOST) {
            throw new BringRefused(count($parts) === 1
                ? 'This file is larger than 45 MB. Nothing was taken: drop it in parts.'
                : 'These files are larger than 45 MB together. Nothing was taken: drop them in several goes.');
        }
        $letter = (new Email())
            ->from(new Address($by->email, $by->name))
            ->to(MailAddress::ofPerson($by))
            ->subject(count($files) === 1 ? (string) array_key_first($files) : count($files).' files: '.implode(', ', array_keys($files)))
            ->text('Dropped on the inbox.');
        $letter->getHeaders()->addIdHeader('Message-ID', $message);
        foreach ($parts as $name => [$path, $type]) {
            $letter->attachFromPath($path, (string) $name, $type);
        }
        ($this->take)($by->brokerage_id, self::written($letter));
        // What follows in the request is the person's own again.
        Sight::ofPerson($by);
        $item = InboundItem::query()->where('message_id', $message)->firstOrFail();
        // Nobody else can have put it there: it is theirs who is signed in.
        $item->update(['proof' => ['proved' => true]]);

        return $item;
    }

    /** A letter as it is sent, put together piece by piece: at once it would be held three times over. */
    private static function written(Email $letter): string
    {
        $written = '';
        foreach ($letter->toIterable() as $piece) {
            $written .= $piece;
        }

        return $written;
    }

    /**
     * @param array<string, string> $files
     * @return array<string, array{string, string}> path and type, by name
     */
    private function parts(array $files, Scratch $scratch): array
    {
        $kinds = array_map(static fn (string $path) => BroughtKind::of($path), $files);
        if (count($files) > 1 && array_filter($kinds, static fn (?BroughtKind $kind) => $kind?->isPhoto() !== true) === []) {
            $pdf = $scratch->put('photos.pdf', $this->photos->photos(array_values($files))->pdf);

            return ['Photos, '.count($files).' pages.pdf' => [$pdf, 'application/pdf']];
        }
        $parts = [];
        foreach ($files as $name => $path) {
            $this->converter->mustBeHarmless($path);
            if ($kinds[$name] === null && PackedFiles::isTooLarge($path)) {
                throw new BringRefused(
                    "{$name} unpacks to more than 40 MB. Nothing was taken: unpack it and drop its files in several goes.",
                );
            }
            $kinds[$name] !== null || PackedFiles::hasPaper($path) || throw new BringRefused(
                "{$name} is no PDF, picture or Word document, and no ZIP of them that opens without a password. Nothing was taken.",
            );
            $parts[$name] = [$path, (string) (mime_content_type($path) ?: 'application/octet-stream')];
        }

        return $parts;
    }
}
