<?php

declare(strict_types=1);

namespace Tests\Support;

use PHPUnit\Framework\Assert;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\Scratch;

/** A mail server of its own for one test, with one mailbox. */
final class Dovecot
{
    public readonly int $port;

    private readonly Scratch $scratch;

    /** @var resource */
    private $process;

    /** The certificate it shows, where it speaks TLS: for "localhost", and vouched for by nobody else. */
    public readonly ?string $certificate;

    public function __construct(bool $tls = false)
    {
        $this->scratch = new Scratch();
        $this->certificate = $tls ? $this->certify() : null;
        $free = stream_socket_server('tcp://127.0.0.1:0') ?: Assert::fail('no port is free');
        $this->port = (int) substr((string) strrchr((string) stream_socket_get_name($free, false), ':'), 1);
        fclose($free);
        $who = posix_getpwuid(posix_geteuid())['name'] ?? 'unanimus';
        $group = posix_getgrgid(posix_getegid())['name'] ?? $who;
        foreach (['run', 'new', 'cur', 'tmp'] as $folder) {
            mkdir($this->scratch->path($folder === 'run' ? 'run' : "mail/{$folder}"), 0700, true);
        }
        $at = dirname($this->scratch->path('run'));
        $own = implode("\n", array_map(
            static fn (string $service) => "service {$service} {\n chroot =\n user = {$who}\n group = {$group}\n}",
            ['anvil', 'stats', 'imap', 'auth', 'auth-worker'],
        ));
        $conf = $this->scratch->put('dovecot.conf', <<<CONF
            base_dir = {$at}/run
            log_path = {$at}/log
            protocols = imap
            {$this->tls()}
            disable_plaintext_auth = no
            default_internal_user = {$who}
            default_internal_group = {$group}
            default_login_user = {$who}
            first_valid_uid = 0
            mail_location = maildir:{$at}/mail
            passdb {
             driver = static
             args = password=lanternfish
            }
            userdb {
             driver = static
             args = uid={$who} gid={$group} home={$at}
            }
            service imap-login {
             chroot =
             inet_listener imap {
              address = 127.0.0.1
              port = {$this->plainPort()}
             }
             inet_listener imaps {
              address = 127.0.0.1
              port = {$this->securePort()}
              ssl = yes
             }
            }
            {$own}
            CONF);
        $this->process = proc_open(
            ['/usr/sbin/dovecot', '-F', '-c', $conf],
            [1 => ['file', "{$at}/out", 'w'], 2 => ['file', "{$at}/out", 'a']],
            $pipes,
        ) ?: Assert::fail('dovecot does not start');
        for ($end = microtime(true) + 30; microtime(true) < $end; usleep(100_000)) {
            if (@fsockopen('127.0.0.1', $this->port) !== false) {
                return;
            }
        }
        Assert::fail('dovecot does not answer: '.@file_get_contents("{$at}/out").@file_get_contents("{$at}/log"));
    }

    private function tls(): string
    {
        $own = $this->certificate;

        return $own === null ? 'ssl = no' : "ssl = required\nssl_cert = <{$own}\nssl_key = <{$own}";
    }

    private function plainPort(): int
    {
        return $this->certificate === null ? $this->port : 0;
    }

    private function securePort(): int
    {
        return $this->certificate === null ? 0 : $this->port;
    }

    private function certify(): string
    {
        $path = $this->scratch->path('tls.pem');
        (new NativeTool(60))->run([
            'openssl', 'req', '-x509', '-newkey', 'rsa:2048', '-nodes', '-days', '2', '-subj', '/CN=localhost',
            '-addext', 'subjectAltName=DNS:localhost', '-keyout', $this->scratch->path('key.pem'), '-out', $this->scratch->path('cert.pem'),
        ]);
        $this->scratch->put('tls.pem', $this->scratch->get('cert.pem').$this->scratch->get('key.pem'));
        chmod($path, 0600);

        return $path;
    }

    public function __destruct()
    {
        $this->stop();
    }

    public function stop(): void
    {
        if (is_resource($this->process)) {
            proc_terminate($this->process);
            proc_close($this->process);
        }
    }

    /** Lays a message into the mailbox. */
    public function deliver(string $raw): void
    {
        file_put_contents($this->scratch->path('mail/tmp/m'), $raw);
        rename($this->scratch->path('mail/tmp/m'), $this->scratch->path('mail/new/'.microtime(true).'.'.bin2hex(random_bytes(4)).'.here'));
    }
}
