<?php

declare(strict_types=1);

return [
    // Memory that the web workers of one machine share: counts that nobody misses when it starts anew.
    'stores' => ['machine' => ['driver' => 'apc']],
];
