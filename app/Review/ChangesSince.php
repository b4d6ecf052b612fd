<?php

declare(strict_types=1);

namespace App\Review;

use App\Models\PaperVersion;
use App\Models\Requirement;
use App\Storage\Bytes;
use Unanimus\Forms\FormUnknown;
use Unanimus\Forms\Library;
use Unanimus\Pages\PageDiff;
use Unanimus\Pages\Rect;
use Unanimus\Pages\ToolFailed;

/** What is otherwise on a paper since its reviewer decided on it: pages that look otherwise, and values that read otherwise. */
final readonly class ChangesSince
{
    /** Pages that are compared. */
    private const MOST = 60;

    /**
     * @param array<int, list<Rect>> $pages places that differ, by page; a page that was not there before is one place
     * @param list<array{label: string, before: string, after: string}> $values
     */
    private function __construct(public PaperVersion $before, public PaperVersion $after, public array $pages, public array $values)
    {
    }

    /** Null: nothing was decided on before, or it is the same version. */
    public static function of(Requirement $requirement, Bytes $bytes): ?self
    {
        $after = $requirement->paper?->latest;
        $before = $requirement->read_version_id === null ? null : PaperVersion::query()->find($requirement->read_version_id);
        if ($before === null || $after === null || $before->id === $after->id || $before->paper_id !== $after->paper_id) {
            return null;
        }
        $pages = [];
        foreach (range(1, min(self::MOST, $after->pages)) as $page) {
            try {
                $found = $page > $before->pages ? [new Rect(0, 0, 612, 792)] : PageDiff::of(
                    $bytes->path($before->sha256),
                    $before->first_page + $page - 1,
                    $bytes->path($after->sha256),
                    $after->first_page + $page - 1,
                );
            } catch (ToolFailed) {
                $found = [];
            }
            $found === [] || ($pages[$page] = $found);
        }

        return new self($before, $after, $pages, self::values($before, $after));
    }

    /** @return list<array{label: string, before: string, after: string}> */
    private static function values(PaperVersion $before, PaperVersion $after): array
    {
        [$old, $new] = [$before->read()->form, $after->read()->form];
        if ($old === null || $new === null || $old->form !== $new->form) {
            return [];
        }
        try {
            $form = app(Library::class)->form($new->form, $new->revision);
        } catch (FormUnknown) {
            return [];
        }
        $changed = [];
        foreach ($form->blanks as $blank) {
            [$was, $is] = [$old->values[$blank->name] ?? '', $new->values[$blank->name] ?? ''];
            $was === $is || ($changed[] = ['label' => $blank->label, 'before' => $was, 'after' => $is]);
        }

        return $changed;
    }
}
