<?php

declare(strict_types=1);

namespace App\Intake\Jobs;

use App\Models\InboundItem;
use App\Models\Sight;
use App\Models\Stack;
use App\Storage\Bytes;
use App\Work\Work;
use Unanimus\Forms\Library;
use Unanimus\Intake\BringRefused;
use Unanimus\Intake\Converter;
use Unanimus\Intake\ProposedPart;
use Unanimus\Intake\StackReader;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\PdfRefused;
use Unanimus\Pages\Scratch;
use Unanimus\Pages\ToolFailed;

/**
 * Makes pages of what came by mail, and reads what papers seem to lie in a stack. The pages can be sorted by hand as soon as
 * they are there; killed half-way, it goes on with the source it was at.
 */
final class ReadStack extends Work
{
    public const KIND = 'stacks';

    public int $timeout = 3600;

    protected function work(): void
    {
        $stack = $this->stack();
        if ($stack === null) {
            return;
        }
        $stack->ready_at === null && $this->layOut($stack);
        foreach (array_keys($this->stack()->sources ?? []) as $index) {
            $stack = $this->stack();
            if ($stack === null || ($stack->reads[$index] ?? null) !== null) {
                continue;
            }
            $read = $this->read($stack->sources[$index]);
            Sight::within($this->brokerageId, function () use ($index, $read): void {
                $stack = Stack::query()->lockForUpdate()->find($this->thing);
                $stack?->update(['reads' => array_values([...array_pad($stack->reads, count($stack->sources), null), $index => $read])]);
            });
        }
    }

    private function stack(): ?Stack
    {
        return Sight::within($this->brokerageId, fn (): ?Stack => Stack::query()->whereNull('settled_at')->find($this->thing));
    }

    private function layOut(Stack $stack): void
    {
        $bytes = app(Bytes::class);
        $sources = $told = [];
        $items = Sight::within(
            $this->brokerageId,
            static fn () => InboundItem::query()->whereIn('id', $stack->items)->orderBy('id')->get(),
        );
        foreach ($items as $item) {
            foreach ($item->papers() as $paper) {
                try {
                    // What takes a minute happens before anything in the database is held.
                    $brought = app(Converter::class)->toPdf($bytes->path($paper['sha256']));
                } catch (BringRefused $refused) {
                    $told[] = "{$paper['name']}: {$refused->getMessage()}";

                    continue;
                }
                $sources[] = [
                    'name' => $paper['name'],
                    'sha256' => Sight::within($this->brokerageId, fn (): string => $bytes->keep($this->brokerageId, $brought->pdf)),
                    'pages' => $brought->pages,
                    'first' => 1,
                ];
            }
        }
        Sight::within($this->brokerageId, function () use ($sources, $told): void {
            Stack::query()
                ->whereNull('ready_at')
                ->lockForUpdate()
                ->find($this->thing)
                ?->update(['sources' => $sources, 'told' => implode(' ', $told), 'ready_at' => now()]);
        });
    }

    /**
     * @param array{name: string, sha256: string, pages: int, first: int} $source
     * @return array<string, mixed> nothing proposed where it cannot be read
     */
    private function read(array $source): array
    {
        try {
            $path = app(Bytes::class)->path($source['sha256']);
            $scratch = new Scratch();
            if ($source['first'] > 1) {
                $last = $source['first'] + $source['pages'] - 1;
                $cut = $scratch->path('stack.pdf');
                (new NativeTool(60))->run(
                    ['qpdf', '--warning-exit-0', $path, '--pages', '.', "{$source['first']}-{$last}", '--', $cut],
                );
                $path = $cut;
            }
            $read = (new StackReader(app(Library::class)))->read($path, fn (int $page) => $page % 20 === 0 && $this->holdOn());
        } catch (PdfRefused|ToolFailed) {
            return ['parts' => [], 'turns' => [], 'blanks' => [], 'skews' => []];
        }

        return [
            'parts' => array_map(static fn (ProposedPart $part) => $part->toArray(), $read['parts']),
            'turns' => $read['turns'],
            'blanks' => $read['blanks'],
            'skews' => $read['skews'],
        ];
    }
}
