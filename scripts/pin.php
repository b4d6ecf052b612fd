<?php

// Writes the two metapackages that hold every installed PHP package at its exact version, in place of a lock file.

declare(strict_types=1);

$root = dirname(__DIR__);
$installed = json_decode((string) file_get_contents("{$root}/vendor/composer/installed.json"), true, 512, JSON_THROW_ON_ERROR);
$packages = ['pinned' => [], 'pinned-dev' => []];
foreach ($installed['packages'] as $package) {
    if (! str_starts_with($package['name'], 'unanimus/')) {
        $home = in_array($package['name'], $installed['dev-package-names'], true) ? 'pinned-dev' : 'pinned';
        $packages[$home][$package['name']] = ltrim($package['version'], 'v');
    }
}
foreach ($packages as $name => $require) {
    ksort($require);
    $manifest = [
        'name' => "unanimus/{$name}",
        'description' => 'Every installed package at its exact version: made by ./unanimus pin, in place of a lock file.',
        'type' => 'metapackage',
        'license' => 'MIT',
        'version' => '1.0.0',
        'require' => $require,
    ];
    file_put_contents("{$root}/packages/{$name}/composer.json", json_encode($manifest, JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES)."\n");
    echo "packages/{$name}: ".count($require)." packages\n";
}
