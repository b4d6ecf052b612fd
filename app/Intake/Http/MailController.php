<?php

declare(strict_types=1);

namespace App\Intake\Http;

use App\Intake\Actions\TakeMail;
use App\Intake\LetterBox;
use App\Models\Sight;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** Takes a letter that came by mail: the raw message, posted by the mail server with the intake's token. */
final class MailController
{
    public function __invoke(Request $request, TakeMail $take): Response
    {
        $brokerage = self::brokerage((string) $request->bearerToken());
        if ($brokerage === null) {
            return new Response('This mailbox needs its token.', 401, ['Content-Type' => 'text/plain']);
        }
        $raw = $request->getContent();
        if ($raw === '' || strlen($raw) > 60 * 1024 * 1024) {
            return new Response('The message is empty or larger than 60 MB.', 413, ['Content-Type' => 'text/plain']);
        }
        $take($brokerage, $raw);

        return new Response('Taken.', 201, ['Content-Type' => 'text/plain']);
    }

    /** Whose letter box it is: each brokerage has its own token. The installation's own one serves as long as there is one brokerage. */
    private static function brokerage(string $token): ?int
    {
        $box = LetterBox::of($token);
        if ($box !== null) {
            return $box;
        }
        $own = (string) config('unanimus.intake.token');
        $all = $own !== '' && hash_equals($own, $token) ? Sight::brokerages() : [];

        return count($all) === 1 ? $all[0] : null;
    }
}
