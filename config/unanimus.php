<?php

declare(strict_types=1);

return [
    // Changes with each release, when the configuration is put together anew: what was reckoned before is reckoned again.
    'build' => (string) time(),

    // While this file is there requests wait: tables are being changed (./unanimus upgrade).
    'requests_wait' => dirname(storage_path()).'/run/requests-wait',

    // Further names this installation answers under, with their ports, after commas; its own is APP_URL.
    'hosts' => env('UNANIMUS_HOSTS', ''),

    // Where requests are counted for metrics: memory that this machine's web workers share.
    'tally' => 'machine',

    // From where how it runs is looked at (metrics, Office > Running), as addresses or networks after commas; empty for anywhere.
    'operator_from' => env('UNANIMUS_OPERATOR_FROM', ''),

    // Proxies in front that are believed about the client, as addresses or networks after commas.
    'proxies' => env('UNANIMUS_TRUSTED_PROXIES', ''),

    // Days after everyone has signed for which a signer's link still shows the sealed set.
    'signed_days' => (int) env('UNANIMUS_SIGNED_DAYS', 60),

    // Whether the demo's own pages (the style sheet at /style, the sign-ins shown) are there.
    'demo' => (bool) env('UNANIMUS_DEMO', false),

    // Sides of deals up to which a report is shown at once; one of more is emailed.
    'report_shows' => 25_000,

    // Where papers' bytes are kept: "local", or "s3" for anything that speaks its protocol.
    'bytes' => [
        'store' => env('UNANIMUS_BYTES', 'local'),
        'folder' => env('UNANIMUS_BYTES_FOLDER', dirname(storage_path()).'/bytes'),
        's3' => [
            'endpoint' => env('UNANIMUS_S3_ENDPOINT'),
            'region' => env('UNANIMUS_S3_REGION', 'us-east-1'),
            'bucket' => env('UNANIMUS_S3_BUCKET'),
            'key' => env('UNANIMUS_S3_KEY'),
            'secret' => env('UNANIMUS_S3_SECRET'),
        ],
    ],

    // Pictures of pages, made when first looked at; may be emptied at any time.
    // Who reads /metrics: a long secret that the operator's own program sends; empty: nobody does.
    'metrics' => env('UNANIMUS_METRICS', ''),
    // The certificate that it answers with in the open, where it does.
    'tls' => env('UNANIMUS_TLS') ?: '',
    // Where backups are put by themselves; the scripts do it.
    'backups' => env('UNANIMUS_BACKUPS') ?: '',
    'page_cache' => dirname(storage_path()).'/storage/app/pages',

    'exchange' => [
        'name' => env('UNANIMUS_EXCHANGE_NAME', 'Three Rivers Listing Exchange'),
        'url' => env('UNANIMUS_EXCHANGE_URL'),
        'token' => env('UNANIMUS_EXCHANGE_TOKEN'),
    ],

    // RFC 3161 authority; the sealing key as PEM (key, certificate, those above it).
    'stamps' => ['url' => env('UNANIMUS_STAMPS_URL')],
    'seal' => [
        // Seals that brokerages have of their own (brokerage:seal).
        'own' => dirname(storage_path()).'/secrets/seals',
        'owner' => env('UNANIMUS_SEAL_OWNER', 'Unanimus'),
        'key' => env('UNANIMUS_SEAL_KEY', dirname(storage_path()).'/secrets/authority/seal.pem'),
        'passphrase' => env('UNANIMUS_SEAL_PASSPHRASE', ''),
        // Certificates and lists of revoked ones that go into each sealed file, PEM, several after commas.
        'vouchers' => env('UNANIMUS_SEAL_VOUCHERS', dirname(storage_path()).'/secrets/authority/vouchers.pem'),
    ],
    // Whose certificates are believed, as PEM files, several after commas: under which our own seals are made, time stamps,
    // and signatures of others.
    'trust' => [
        'seals' => env('UNANIMUS_TRUST_SEALS', dirname(storage_path()).'/secrets/authority/root.crt'),
        'stamps' => env('UNANIMUS_TRUST_STAMPS', dirname(storage_path()).'/secrets/authority/root.crt'),
        'others' => env('UNANIMUS_TRUST_OTHERS', ''),
    ],
    // Where the stamped ends of histories are kept, outside the database.
    'anchors' => env('UNANIMUS_ANCHORS', dirname(storage_path()).'/anchors'),
    'authority' => dirname(storage_path()).'/secrets/authority',

    'post_room' => ['url' => env('UNANIMUS_POST_ROOM_URL'), 'folder' => env('UNANIMUS_POST_ROOM_FOLDER')],
    // Whether webhooks may call addresses of this network and plain http, to try them out.
    'hooks_anywhere' => (bool) env('UNANIMUS_HOOKS_ANYWHERE', false),
    'intake' => [
        'token' => env('UNANIMUS_INTAKE_TOKEN'),
        // Names under which our receiving mail servers say whether a sender was proved; nobody else is believed.
        'servers' => array_values(array_filter(array_map(trim(...), explode(',', (string) env('UNANIMUS_INTAKE_SERVERS'))))),
        // A clamd that looks into whatever comes in before it is opened: unix:///run/clamav/clamd.ctl, tcp://127.0.0.1:3310.
        'virus_check' => env('UNANIMUS_VIRUS_CHECK') ?: null,
        // A mailbox that is looked into every minute: imaps://mail.example, its user and password; whose inbox, where there are several.
        'imap' => env('UNANIMUS_IMAP_URL'),
        'imap_user' => env('UNANIMUS_IMAP_USER'),
        'imap_password' => env('UNANIMUS_IMAP_PASSWORD'),
        'imap_folder' => env('UNANIMUS_IMAP_FOLDER', 'INBOX'),
        'imap_roots' => env('UNANIMUS_IMAP_ROOTS'),
        // Where a mail server on this machine brings mail by LMTP: 127.0.0.1:2424, or unix:/path; not, unless set.
        'lmtp' => env('UNANIMUS_LMTP') ?: '',
        // Behind the @ of files' own addresses.
        'domain' => env('UNANIMUS_INTAKE_DOMAIN') ?:
            'papers.'.(explode('@', (string) env('MAIL_FROM_ADDRESS', '@localhost'))[1] ?? 'localhost'),
    ],
];
