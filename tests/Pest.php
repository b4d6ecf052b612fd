<?php

declare(strict_types=1);

use Tests\Support\BrowserCase;
use Tests\Support\HouseCase;

pest()->extend(HouseCase::class)->in('App');
pest()->extend(BrowserCase::class)->in('Browser');
