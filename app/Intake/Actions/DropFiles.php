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

/**
 * Files that somebody drops on the inbox come in as an email from themselves to themselves would: read, guessed at and sorted the
 * same way; so is what stands in a ZIP. Photos dropped together become the pages of one paper.
 */
final class DropFiles
{
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
        $letter = (new Email())
            ->from(new Address($by->email, $by->name))
            ->to(MailAddress::ofPerson($by))
            ->subject(count($files) === 1 ? (string) array_key_first($files) : count($files).' files: '.implode(', ', array_keys($files)))
            ->text('Dropped on the inbox.');
        $letter->getHeaders()->addIdHeader('Message-ID', $message);
        foreach ($this->parts($files) as $name => [$bytes, $type]) {
            $letter->attach($bytes, (string) $name, $type);
        }
        ($this->take)($by->brokerage_id, $letter->toString());
        // What follows in the request is the person's own again.
        Sight::ofPerson($by);
        $item = InboundItem::query()->where('message_id', $message)->firstOrFail();
        // Nobody else can have put it there: it is theirs who is signed in.
        $item->update(['proof' => ['proved' => true]]);

        return $item;
    }

    /**
     * @param array<string, string> $files
     * @return array<string, array{string, string}> bytes and type, by name
     */
    private function parts(array $files): array
    {
        $kinds = array_map(static fn (string $path) => BroughtKind::of($path), $files);
        if (count($files) > 1 && array_filter($kinds, static fn (?BroughtKind $kind) => $kind?->isPhoto() !== true) === []) {
            $pdf = $this->photos->photos(array_values($files))->pdf;

            return ['Photos, '.count($files).' pages.pdf' => [$pdf, 'application/pdf']];
        }
        $parts = [];
        foreach ($files as $name => $path) {
            $this->converter->mustBeHarmless($path);
            $kinds[$name] !== null || PackedFiles::hasPaper($path) || throw new BringRefused(
                "{$name} is no PDF, picture or Word document, and no ZIP of them that opens without a password. Nothing was taken.",
            );
            $parts[$name] = [(string) file_get_contents($path), (string) (mime_content_type($path) ?: 'application/octet-stream')];
        }

        return $parts;
    }
}
