<?php

declare(strict_types=1);

namespace Unanimus\Intake;

use Unanimus\Pages\NativeTool;
use Unanimus\Pages\Scratch;
use Unanimus\Pages\ToolFailed;

/**
 * LibreOffice in a room of its own: what it opens finds neither the network nor this machine's files, runs no macros, and costs
 * its own call at most.
 */
final readonly class ClosedOffice
{
    /** Seconds of processor time and memory it may use for one file, and seconds a file waits for its turn. */
    private const SECONDS = 40;

    private const MEMORY = '1200M';

    public const TURN = 60;

    private const MOST_UNPACKED = 300 * 1024 * 1024;

    /** No macros, and nothing a text only points to: neither on the network nor on the disk. */
    private const PROFILE = <<<'XML'
    <?xml version="1.0" encoding="UTF-8"?>
    <oor:items xmlns:oor="http://openoffice.org/2001/registry">
    <item oor:path="/org.openoffice.Office.Common/Security/Scripting">
        <prop oor:name="BlockUntrustedRefererLinks" oor:op="fuse"><value>true</value></prop></item>
    <item oor:path="/org.openoffice.Office.Common/Security/Scripting">
        <prop oor:name="DisableMacrosExecution" oor:op="fuse"><value>true</value></prop></item>
    <item oor:path="/org.openoffice.Office.Writer/Content/Update"><prop oor:name="Link" oor:op="fuse"><value>2</value></prop></item>
    <item oor:path="/org.openoffice.Office.Calc/Content/Update"><prop oor:name="Link" oor:op="fuse"><value>2</value></prop></item>
    </oor:items>
    XML;

    /** @param  int  $turn  seconds that a file waits for the one before it */
    public function __construct(private int $turn = self::TURN)
    {
    }

    /**
     * A file in another format.
     *
     * @param string $name what it is called inside, with the ending it is opened by: "text.doc"
     * @param string $to the format, and the filter that writes it: "pdf:writer_pdf_Export"
     * @param string $result what the converted file is called: "text.pdf"
     * @return string|null its bytes; null when it cannot be converted
     *
     * @throws ToolFailed when the machine is too busy
     */
    public function convert(string $path, string $name, string $to, string $result): ?string
    {
        if (self::isBomb($path)) {
            return null;
        }
        $scratch = new Scratch();
        copy($path, $scratch->path($name));
        mkdir($scratch->path('profile/user'), recursive: true);
        $scratch->put('profile/user/registrymodifications.xcu', self::PROFILE);
        $turn = $this->waitForTurn();
        try {
            // What it names on the network or on this machine is not there: a text can link to pictures and to other texts.
            (new NativeTool(self::SECONDS, '0', [], self::MEMORY))->run([
                ...self::room($scratch),
                ...['soffice', '--headless', '--norestore', '--nolockcheck', '--nodefault'],
                ...['-env:UserInstallation=file:///work/profile', '--convert-to', $to, '--outdir', '/work/out', "/work/{$name}"],
            ]);
        } catch (ToolFailed $failed) {
            if ($failed->machineIsBusy) {
                throw $failed;
            }
        } finally {
            fclose($turn);
        }

        return is_file($scratch->path("out/{$result}")) ? $scratch->get("out/{$result}") : null;
    }

    /** Whether this machine can make such a room. */
    public static function isPossible(): bool
    {
        static $can = null;
        try {
            $can ??= (new NativeTool(10, '0'))->run([...self::room(new Scratch()), 'true']) === '';
        } catch (ToolFailed) {
            $can = false;
        }

        return $can;
    }

    /**
     * One file at a time on this machine: each takes as much of it as everything else together.
     *
     * @return resource held while it works
     *
     * @throws ToolFailed when its turn does not come
     */
    private function waitForTurn()
    {
        $turn = fopen(sys_get_temp_dir().'/unanimus-office.lock', 'c');
        for ($waited = 0; $turn !== false && $waited < $this->turn * 10; $waited++) {
            if (flock($turn, LOCK_EX | LOCK_NB)) {
                return $turn;
            }
            usleep(100_000);
        }
        throw ToolFailed::waitedInVain('soffice', $this->turn);
    }

    private static function isBomb(string $path): bool
    {
        $zip = new \ZipArchive();
        if ($zip->open($path, \ZipArchive::RDONLY) !== true) {
            return false;
        }
        $sum = 0;
        for ($index = 0; $index < $zip->numFiles && $index < 10_000; $index++) {
            $sum += (int) ($zip->statIndex($index)['size'] ?? 0);
        }
        $zip->close();

        return $sum > self::MOST_UNPACKED;
    }

    /** @return list<string> what a program is begun with, so that it sees its scratch folder alone */
    private static function room(Scratch $scratch): array
    {
        return ['unshare', '-rnmpf', '--kill-child', '--propagation', 'private', 'sh', __DIR__.'/closed-room.sh', $scratch->path('')];
    }
}
