<?php

declare(strict_types=1);

namespace Unanimus\Intake;

/**
 * To which file a letter seems to belong, why, and how sure that is.
 */
final readonly class FileGuess
{
    /** What names two files at once says nothing of either. */
    private const UNSURE = 0.5;

    private function __construct(public int $file, public string $why, public float $sure)
    {
    }

    /**
     * The file a letter names most surely; null when it names none, or several alike.
     *
     * @param list<FileSigns> $files those it may belong to
     * @param string $pages words of the first pages that came along
     */
    public static function of(ReceivedMail $mail, array $files, string $pages = ''): ?self
    {
        $said = self::plain("{$mail->subject} {$mail->text} ".implode(' ', array_map(
            static fn (MailPart $part) => str_replace(['_', '-'], ' ', $part->name),
            $mail->attachments,
        ))." {$pages}");
        $recipients = strtolower(implode(' ', $mail->recipients()));
        $sender = preg_match('/<?([^<>\s]+@[^<>\s]+?)>?$/', strtolower($mail->sender), $m) === 1 ? $m[1] : '';
        $best = [];
        foreach ($files as $file) {
            $best[] = self::one($file, $said, $recipients, $sender);
        }
        $best = array_values(array_filter($best));
        usort($best, static fn (self $a, self $b) => $b->sure <=> $a->sure);
        $second = $best[1] ?? null;

        return match (true) {
            $best === [] => null,
            // Two that are named alike are a question.
            $second !== null && $best[0]->sure - $second->sure < 0.01 => null,
            default => $best[0]->sure < self::UNSURE ? null : $best[0],
        };
    }

    private static function one(FileSigns $file, string $said, string $recipients, string $sender): ?self
    {
        $found = [];
        $file->mailCode !== '' && str_contains($recipients, ".{$file->mailCode}@") && ($found['sent to its own address'] = 1.0);
        self::stands($file->listingNumber, $said) && ($found["names listing {$file->listingNumber}"] = 0.95);
        self::stands($file->street, $said) && ($found["names {$file->street}"] = 0.9);
        $people = array_filter($file->names, static fn (string $name) => str_contains(trim($name), ' ') && self::stands($name, $said));
        $people === [] || ($found['names '.implode(' and ', array_slice(array_values($people), 0, 2))] = count($people) > 1 ? 0.85 : 0.75);
        $sender !== '' && in_array($sender, array_map(strtolower(...), $file->addresses), true) &&
            ($found["{$sender} is in the file"] = 0.7);
        if ($found === []) {
            return null;
        }
        arsort($found);
        // Each further sign makes it surer by a part of what was open.
        $open = array_reduce(array_values($found), static fn (float $open, float $sure) => $open * (1 - $sure), 1.0);

        return new self($file->file, (string) array_key_first($found), round(1 - $open, 4));
    }

    private static function stands(string $sign, string $said): bool
    {
        $sign = self::plain($sign);

        return trim($sign) !== '' && str_contains($said, $sign);
    }

    /** Small letters without accents, words one space apart, with one at either end: nothing is found within a word. */
    private static function plain(string $text): string
    {
        $plain = (string) transliterator_transliterate('Any-Latin; Latin-ASCII; Lower()', mb_scrub($text));

        return ' '.trim((string) preg_replace('/[^a-z0-9]+/', ' ', $plain)).' ';
    }
}
