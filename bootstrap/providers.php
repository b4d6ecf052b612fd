<?php

declare(strict_types=1);

return [App\Access\AppServiceProvider::class];
