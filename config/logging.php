<?php

declare(strict_types=1);

use App\Access\StructuredLog;

return [
    'default' => env('LOG_CHANNEL', 'structured'),
    'channels' => [
        'structured' => ['driver' => 'custom', 'via' => StructuredLog::class, 'level' => env('LOG_LEVEL', 'info')],
        'emergency' => ['path' => storage_path('logs/emergency.log')],
    ],
];
