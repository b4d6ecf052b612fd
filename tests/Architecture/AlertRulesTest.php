<?php

declare(strict_types=1);

it('names in its alert rules only figures that the metrics have', function () {
    $root = dirname(__DIR__, 2);
    preg_match_all('/\bunanimus_[a-z_]+/', (string) file_get_contents("{$root}/docs/alert-rules.yml"), $named);
    $told = file_get_contents("{$root}/app/Running/Http/MetricsController.php").file_get_contents("{$root}/database/sql/who-sees-what.sql");
    foreach (array_unique($named[0]) as $name) {
        expect($told)->toContain("'".substr($name, strlen('unanimus_'))."'");
    }
    expect(count(array_unique($named[0])))->toBeGreaterThan(5);
});
