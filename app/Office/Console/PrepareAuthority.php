<?php

declare(strict_types=1);

namespace App\Office\Console;

use Illuminate\Console\Command;
use Unanimus\Pages\NativeTool;

/** Makes the small local certificate authority, the sealing key and the time-stamping key, when they are not there. */
final class PrepareAuthority extends Command
{
    protected $signature = 'authority:prepare {--seal-anew : another sealing key and certificate, by the same authority}
        {--seal-for= : a brokerage by number, for whom a seal of its own is made} {--owner= : whose name it bears}';

    /** They are good from a year back: a machine whose clock runs behind can use them, and the demo's story begins months ago. */
    private const BACK = 400;

    protected $description = 'Makes the local certificates that seals and time stamps use by default';

    private const PROFILE = <<<'CNF'
    [req]
    distinguished_name = dn
    [dn]
    [ca]
    default_ca = store
    [store]
    database = @/issued/index.txt
    new_certs_dir = @/issued
    rand_serial = yes
    default_md = sha256
    policy = any
    unique_subject = no
    [any]
    organizationName = optional
    commonName = supplied
    [root]
    basicConstraints = critical, CA:true
    keyUsage = critical, keyCertSign, cRLSign
    subjectKeyIdentifier = hash
    [seal]
    basicConstraints = critical, CA:false
    keyUsage = critical, digitalSignature, nonRepudiation
    extendedKeyUsage = emailProtection
    subjectKeyIdentifier = hash
    authorityKeyIdentifier = keyid
    [stamp]
    basicConstraints = critical, CA:false
    keyUsage = critical, digitalSignature
    extendedKeyUsage = critical, timeStamping
    subjectKeyIdentifier = hash
    authorityKeyIdentifier = keyid
    [tsa]
    default_tsa = ours
    [ours]
    serial = @/stamp.serial
    crypto_device = builtin
    signer_cert = @/stamp.crt
    signer_key = @/stamp.key
    signer_digest = sha256
    default_policy = 1.3.6.1.4.1.99999.1
    digests = sha256, sha384, sha512
    accuracy = secs:1
    ordering = no
    tsa_name = yes
    ess_cert_id_chain = no
    ess_cert_id_alg = sha256
    CNF;

    public function handle(): int
    {
        $folder = (string) config('unanimus.authority');
        if (is_file("{$folder}/seal.pem")) {
            $this->option('seal-anew') && $this->seal($folder, 'seal', (string) config('unanimus.seal.owner'));
            $own = (int) $this->option('seal-for');
            $own > 0 && $this->seal($folder, "own-{$own}", (string) $this->option('owner'));
            $this->vouch($folder);

            return self::SUCCESS;
        }
        is_dir($folder) || mkdir($folder, 0700, true);
        file_put_contents("{$folder}/authority.cnf", str_replace('@', $folder, self::PROFILE)."\n");
        file_put_contents("{$folder}/stamp.serial", "01\n");
        is_dir("{$folder}/issued") || mkdir("{$folder}/issued", 0700);
        file_put_contents("{$folder}/issued/index.txt", '');
        $this->issue($folder, 'root', self::subject('Local Authority'), 'root', 7300);
        $this->issue($folder, 'stamp', self::subject('Local Time Stamps'), 'stamp', 3650);
        $this->seal($folder, 'seal', (string) config('unanimus.seal.owner'));
        $this->vouch($folder);
        $this->info('The local certificates are made.');

        return self::SUCCESS;
    }

    private function seal(string $folder, string $name, string $owner): void
    {
        $this->issue($folder, $name, self::subject('Document Seal', $owner), 'seal', 3650);
        file_put_contents(
            "{$folder}/{$name}.pem.part",
            implode('', array_map(
                static fn (string $part) => (string) file_get_contents("{$folder}/{$part}"),
                ["{$name}.key", "{$name}.crt", 'root.crt'],
            )),
        );
        chmod("{$folder}/{$name}.pem.part", 0600);
        rename("{$folder}/{$name}.pem.part", "{$folder}/{$name}.pem");
    }

    private static function subject(string $of, ?string $owner = null): string
    {
        $owner = addcslashes($owner ?? (string) config('unanimus.seal.owner'), '/\\');

        return "/O={$owner}/CN={$owner} {$of}";
    }

    /** What goes into each sealed file: who issued its seal and time stamp, and that none of them was revoked; anew each day. */
    private function vouch(string $folder): void
    {
        $into = "{$folder}/vouchers.pem";
        if (is_file($into) && filemtime($into) > time() - 86400) {
            return;
        }
        // An authority made before there were such lists has no book of what it issued.
        is_dir("{$folder}/issued") || mkdir("{$folder}/issued", 0700);
        is_file("{$folder}/issued/index.txt") || file_put_contents("{$folder}/issued/index.txt", '');
        file_put_contents("{$folder}/list.cnf", "[store]\ndatabase = {$folder}/issued/index.txt\ndefault_md = sha256\n");
        $list = (new NativeTool(30))->run([
            'openssl',
            'ca',
            '-gencrl',
            '-config',
            "{$folder}/list.cnf",
            '-name',
            'store',
            '-keyfile',
            "{$folder}/root.key",
            '-cert',
            "{$folder}/root.crt",
            '-crldays',
            '400',
            '-out',
            '-',
        ]);
        $issued = implode('', array_map(static fn (string $one) => (string) file_get_contents("{$folder}/{$one}.crt"), ['stamp', 'root']));
        file_put_contents("{$into}.part", $issued.$list);
        rename("{$into}.part", $into);
    }

    private function issue(string $folder, string $name, string $subject, string $kind, int $days): void
    {
        $openssl = new NativeTool(30);
        $openssl->run([
            'openssl',
            'genpkey',
            '-quiet',
            '-algorithm',
            'RSA',
            '-pkeyopt',
            'rsa_keygen_bits:2048',
            '-out',
            "{$folder}/{$name}.key",
        ]);
        $openssl->run([
            'openssl',
            'req',
            '-new',
            '-config',
            "{$folder}/authority.cnf",
            '-key',
            "{$folder}/{$name}.key",
            '-subj',
            $subject,
            '-out',
            "{$folder}/{$name}.csr",
        ]);
        $by =
            $name === 'root'
                ? ['-selfsign', '-keyfile', "{$folder}/root.key"]
                : ['-cert', "{$folder}/root.crt", '-keyfile', "{$folder}/root.key"];
        $openssl->run([
            'openssl',
            'ca',
            '-batch',
            '-notext',
            '-config',
            "{$folder}/authority.cnf",
            '-in',
            "{$folder}/{$name}.csr",
            ...$by,
            '-startdate',
            gmdate('YmdHis\Z', time() - self::BACK * 86400),
            '-enddate',
            gmdate('YmdHis\Z', time() + $days * 86400),
            '-extensions',
            $kind,
            '-out',
            "{$folder}/{$name}.crt",
        ]);
        chmod("{$folder}/{$name}.key", 0600);
    }
}
