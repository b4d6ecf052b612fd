<?php

declare(strict_types=1);

namespace App\Running\Console;

use App\Access\Roots;
use App\Storage\Store;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Mail;
use Unanimus\Evidence\Seal;
use Unanimus\Evidence\SealCheck;
use Unanimus\Evidence\SigningKey;
use Unanimus\Evidence\TimeStamps;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\Press;

/** Uses each thing that was set: stores and reads back, takes a time stamp, seals and checks the seal, sends an email. */
final class TryInstallation extends Command
{
    protected $signature = 'installation:try {--letter= : where an email is sent, to try it}';

    protected $description = 'Tries what was set by using it, and says in words what does not work';

    public function handle(Store $store, TimeStamps $stamps, Press $press): int
    {
        $tries = [
            'database' => static fn (): string => (string) DB::scalar("SELECT 'PostgreSQL ' || current_setting('server_version')"),
            'documents' => fn (): string => $this->keep($store),
            'time stamp' => static fn (): string => number_format(strlen($stamps->stamp(hash('sha256', 'a try', true)))).' bytes',
            'seal' => fn (): string => $this->seal($stamps, $press),
        ];
        $letter = (string) $this->option('letter');
        $letter === '' || $tries['email'] = fn (): string => $this->send($letter);
        $good = true;
        foreach ($tries as $what => $try) {
            try {
                $this->line("  well    {$what}: {$try()}");
            } catch (\Throwable $fault) {
                $good = false;
                $said = (string) preg_replace('/\s+/', ' ', $fault->getMessage());
                $this->line("  BROKEN  {$what}: ".mb_strimwidth($said === '' ? $fault::class : $said, 0, 400, '…'));
            }
        }

        return $good ? self::SUCCESS : self::FAILURE;
    }

    private function keep(Store $store): string
    {
        $bytes = 'A try of '.now()->toIso8601String().' '.bin2hex(random_bytes(16));
        $name = hash('sha256', $bytes);
        $store->write($name, $bytes);
        $back = $store->read($name);
        $store->drop($name);
        $back === $bytes || throw new \RuntimeException('What was stored is not what came back.');

        return 'stored, read back and let go';
    }

    private function seal(TimeStamps $stamps, Press $press): string
    {
        $pem = @file_get_contents((string) config('unanimus.seal.key'));
        $pem !== false || throw new \RuntimeException('The file with the sealing key cannot be read.');
        $page = $press->print([(new Drawing(612, 792))->text(72, 100, 16, 'A try of the seal')]);
        $key = SigningKey::fromPem($pem, (string) config('unanimus.seal.passphrase'));
        $check = SealCheck::of((new Seal($key, $stamps, 'A try'))->over($page, now()->toImmutable()), Roots::trusted());
        $check->answer->isOurs() || throw new \RuntimeException("A sealed page does not hold: {$check->sentence}");

        return "a page was sealed, and holds ({$check->sealedAt})";
    }

    private function send(string $to): string
    {
        Mail::raw(
            'This is a first email from Unanimus at '.config('app.url').", sent to try the mail server. There is nothing to do.\n",
            static fn ($message) => $message->to($to)->subject('A first email from Unanimus'),
        );

        return "one was taken for {$to}";
    }
}
