<?php

declare(strict_types=1);

namespace App\Assembly;

use App\Models\DealFile;
use App\Models\InboundItem;
use App\Models\Message;
use App\Terms\When;
use Illuminate\Support\Carbon;

/** The messages of a file for its book and for whoever takes it elsewhere: in the order of time, as far as whoever asks may read them. */
final class FileMessages
{
    /** @return list<array{way: string, at: string, who: string, to: list<string>, subject: string, text: string, original: string}> */
    public static function of(DealFile $file): array
    {
        $all = [];
        foreach (Message::query()->with('writer')->where(['deal_file_id' => $file->id, 'state' => 'sent'])->orderBy('id')->get() as $one) {
            $letter = $one->planned()[0] ?? null;
            $all[] = [
                'way' => $one->kind === 'note' ? 'note' : 'out',
                'at' => (string) $one->sent_at?->toIso8601ZuluString(),
                'who' => $one->writer->name ?? '',
                'to' => array_column($one->recipients, 'address'),
                'subject' => $letter === null ? $one->subject : $letter->subject,
                'text' => $letter === null ? $one->body : $letter->body,
                'original' => '',
            ];
        }
        foreach (InboundItem::query()->where('filed_into', $file->id)->orderBy('id')->get() as $one) {
            $file->isOwnAffair($one->filed_side) && ($all[] = [
                'way' => 'in',
                'at' => $one->received_at->toIso8601ZuluString(),
                'who' => $one->sender,
                'to' => $one->recipients,
                'subject' => $one->subject,
                'text' => $one->body,
                'original' => $one->sha256,
            ]);
        }
        usort($all, static fn (array $a, array $b) => [$a['at'], $a['way']] <=> [$b['at'], $b['way']]);

        return $all;
    }

    /** @return list<array{title: string, stands: string, lines: list<string>}> as the book prints them */
    public static function printed(DealFile $file): array
    {
        return array_map(static fn (array $one) => [
            'title' => $one['subject'] !== '' ? $one['subject'] : ($one['way'] === 'note' ? 'Note' : '(no subject)'),
            'stands' => When::list(Carbon::parse($one['at']), $file->office->zone),
            'lines' => array_values(array_filter([
                match ($one['way']) {
                    'note' => "Note by {$one['who']}",
                    'in' => "From {$one['who']}",
                    default => "From {$one['who']} to ".implode(', ', $one['to']),
                },
                ...array_map(trim(...), explode("\n", $one['text'])),
            ], static fn (string $line) => $line !== '')),
        ], self::of($file));
    }
}
