<?php

declare(strict_types=1);

require dirname(__DIR__).'/vendor/autoload.php';

/** Where the test copy keeps everything it writes; beside the demo's, or where UNANIMUS_HOME says. */
function testState(): string
{
    return (getenv('UNANIMUS_HOME') ?: dirname(__DIR__).'/var').'/test';
}

// Never the demo's, whatever the shell had set: nothing of it is read or written by a test.
putenv('UNANIMUS_STATE='.testState());
$_ENV['UNANIMUS_STATE'] = $_SERVER['UNANIMUS_STATE'] = testState();
