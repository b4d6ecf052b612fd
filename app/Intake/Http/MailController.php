<?php

declare(strict_types=1);

namespace App\Intake\Http;

use App\Intake\RawMail;
use App\Models\InboundItem;
use App\Models\Sight;
use App\Storage\Bytes;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;

/** Takes a letter that came by mail: the raw message, posted by the mail server with the intake's token. */
final class MailController
{
    public function __invoke(Request $request, Bytes $bytes): Response
    {
        $brokerage = self::brokerage((string) $request->bearerToken());
        if ($brokerage === null) {
            return new Response('This letter box needs its token.', 401, ['Content-Type' => 'text/plain']);
        }
        $raw = $request->getContent();
        if ($raw === '' || strlen($raw) > 60 * 1024 * 1024) {
            return new Response('The letter is empty or larger than 60 MB.', 413, ['Content-Type' => 'text/plain']);
        }
        $mail = RawMail::read($raw);
        Sight::within($brokerage, static function () use ($brokerage, $bytes, $mail, $raw): void {
            $attachments = array_map(static fn (array $part) => ['name' => $part['name'], 'sha256' => $bytes->keep($brokerage, $part['bytes'], 'application/octet-stream'), 'size' => strlen($part['bytes'])], $mail->attachments);
            InboundItem::query()->firstOrCreate(['brokerage_id' => $brokerage, 'message_id' => $mail->messageId], [
                'sender' => $mail->sender, 'subject' => $mail->subject, 'body' => mb_strimwidth($mail->text, 0, 20000), 'attachments' => $attachments, 'sha256' => $bytes->keep($brokerage, $raw, 'message/rfc822'), 'received_at' => now(),
            ]);
        });

        return new Response('Taken.', 201, ['Content-Type' => 'text/plain']);
    }

    /** Whose letter box it is: each brokerage has its own token. The installation's own one serves as long as there is one brokerage. */
    private static function brokerage(string $token): ?int
    {
        $box = $token === '' ? null : DB::scalar('SELECT brokerage_of_letter_box(?)', [hash('sha256', $token)]);
        if ($box !== null) {
            return (int) $box;
        }
        $own = (string) config('unanimus.intake.token');
        $all = $own !== '' && hash_equals($own, $token) ? Sight::brokerages() : [];

        return count($all) === 1 ? $all[0] : null;
    }
}
