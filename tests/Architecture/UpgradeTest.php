<?php

declare(strict_types=1);

/** Up to here migrations were laid out before there was an installation to upgrade. */
const FIRST_INSTALLED = 70;

/** What the version before would miss. */
const TAKES_AWAY = '/\bdrop(?:Column|IfExists|Table)?\s*\(|\brename(?:Column)?\s*\(|\bDROP\s+(?:TABLE|COLUMN|TYPE|SCHEMA)\b|\bRENAME\b|'.
    '\bALTER\s+COLUMN\s+\w+\s+(?:SET\s+(?:DATA\s+TYPE|NOT\s+NULL)|TYPE)\b|->change\(\)/i';

it('takes nothing away in a migration that runs while the version before serves', function () {
    $later = array_filter(
        glob(dirname(__DIR__, 2).'/database/migrations/*.php') ?: [],
        static fn (string $file) => (int) preg_replace('/^\d+_\d+_\d+_(\d+)_.*/', '$1', basename($file)) > FIRST_INSTALLED,
    );
    foreach ($later as $file) {
        expect(preg_match(TAKES_AWAY, (string) file_get_contents($file)))->toBe(0, basename($file).' takes away: database/contractions')
            ->and(basename($file))->not->toContain('_contract_');
    }
    expect(preg_match(TAKES_AWAY, 'ALTER TABLE papers DROP COLUMN title'))->toBe(1)
        ->and(preg_match(TAKES_AWAY, '$table->dropColumn("title");'))->toBe(1)
        ->and(preg_match(TAKES_AWAY, 'DROP POLICY IF EXISTS mine ON papers; CREATE POLICY mine ON papers USING (true)'))->toBe(0);
});

it('calls what takes away by its name, by which older code knows that it cannot serve', function () {
    foreach (glob(dirname(__DIR__, 2).'/database/contractions/*.php') ?: [] as $file) {
        expect(basename($file))->toMatch('/^\d{4}_\d{2}_\d{2}_\d{6}_contract_\w+\.php$/');
    }
    expect(is_file(dirname(__DIR__, 2).'/database/contractions/README.md'))->toBeTrue();
});
