<?php

declare(strict_types=1);

namespace App\Forms\Console;

use Illuminate\Console\Command;
use Unanimus\Pages\FieldFill;
use Unanimus\Pages\FieldRefused;
use Unanimus\Pages\PdfRefused;
use Unanimus\Pages\Press;
use Unanimus\Pages\ToolFailed;

/** Fills a fillable PDF with values from a JSON file. */
final class FillPdf extends Command
{
    protected $signature = 'forms:fill {file : a PDF} {values : JSON, {"field name": value}; - reads standard input} {out : where the '.
        'filled PDF goes} {--flatten : make what is filled a part of the page}';

    protected $description = 'Fills the fields of a PDF from JSON (docs/formats.md)';

    public function handle(Press $press): int
    {
        [$file, $from, $out] = [(string) $this->argument('file'), (string) $this->argument('values'), (string) $this->argument('out')];
        $json = is_file($file) && is_readable($file) ? @file_get_contents($from === '-' ? 'php://stdin' : $from) : false;
        if ($json === false) {
            return $this->fault((is_file($file) && is_readable($file) ? $from : $file).' cannot be read.');
        }
        $values = json_decode(preg_replace('/^\xEF\xBB\xBF/', '', $json) ?? '', true);
        if (! is_array($values) || ($values !== [] && array_is_list($values))) {
            return $this->fault("{$from} is no JSON object of field names and values.");
        }
        try {
            $bytes = FieldFill::into($file, $values, (bool) $this->option('flatten'), $press);
        } catch (PdfRefused|FieldRefused $refused) {
            return $this->fault($refused->getMessage().' Nothing was written.');
        } catch (ToolFailed $failed) {
            return $this->fault("{$file} could not be filled: {$failed->getMessage()} Nothing was written.");
        }
        $partial = $out.'.'.bin2hex(random_bytes(4));
        if (@file_put_contents($partial, $bytes) !== strlen($bytes) || ! @rename($partial, $out)) {
            @unlink($partial);

            return $this->fault("{$out} cannot be written.");
        }

        return self::SUCCESS;
    }

    private function fault(string $message): int
    {
        foreach (explode("\n", $message) as $line) {
            fwrite(STDERR, "forms:fill: {$line}\n");
        }

        return self::FAILURE;
    }
}
