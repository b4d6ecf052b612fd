<?php

declare(strict_types=1);

namespace Tests\Support;

use PHPUnit\Framework\Assert;
use Unanimus\Intake\MailReader;
use Unanimus\Intake\ReceivedMail;

/** The letters that went out of the running test copy. */
final class PostRoom
{
    /** The link in the newest letter to an address. */
    public function link(string $address, string $subject = '', string $text = ''): string
    {
        preg_match('~https?://\S+~', $this->letter($address, $subject, $text)->text, $found);

        return $found[0] ?? Assert::fail("the letter to {$address} has no link");
    }

    /** The first attachment of the newest letter to an address. */
    public function attachment(string $address, string $subject): string
    {
        return $this->letter($address, $subject)->attachments[0]->bytes ?? Assert::fail("the letter to {$address} has nothing attached");
    }

    private function letter(string $address, string $subject, string $text = ''): ReceivedMail
    {
        for ($end = microtime(true) + 20; microtime(true) < $end; usleep(200_000)) {
            $files = glob((getenv('UNANIMUS_TEST_MAIL') ?: testState().'/mail/out').'/*.eml') ?: [];
            foreach (array_reverse($files) as $file) {
                $raw = (string) file_get_contents($file);
                if (! str_contains(strstr($raw, "\r\n\r\n", true) ?: '', $address)) {
                    continue;
                }
                $mail = MailReader::read($raw);
                if (str_contains($mail->subject, $subject) && str_contains($mail->text, $text)) {
                    return $mail;
                }
            }
        }
        Assert::fail("no letter “{$subject}” went to {$address}");
    }
}
