<?php

declare(strict_types=1);

namespace Tests\Support;

use Unanimus\Evidence\StampRequest;
use Unanimus\Evidence\TimeStamps;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\Scratch;

/** Time stamps straight from the local authority's key, without a server. */
final class OpensslStamps implements TimeStamps
{
    public function __construct(private readonly string $authority)
    {
    }

    public function stamp(string $digest): string
    {
        $request = StampRequest::over($digest);
        $scratch = new Scratch();
        (new NativeTool(20))->run([
            'openssl',
            'ts',
            '-reply',
            '-config',
            "{$this->authority}/authority.cnf",
            '-section',
            'ours',
            '-queryfile',
            $scratch->put('query', $request->der),
            '-out',
            $scratch->path('reply'),
        ]);

        return $request->tokenIn($scratch->get('reply'));
    }
}
