<?php

declare(strict_types=1);

use Tests\Support\AppCase;
use Tests\Support\BrowserCase;

pest()->extend(AppCase::class)->in('App');
pest()->extend(BrowserCase::class)->in('Browser');
