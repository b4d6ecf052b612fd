<?php

declare(strict_types=1);

namespace App\Signing\Http;

use App\Access\Roots;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Unanimus\Dates\Moment;
use Unanimus\Evidence\SealAnswer;
use Unanimus\Evidence\SealCheck;
use Unanimus\Pages\ToolFailed;

/** Anyone has a signed PDF checked; nothing of it is kept. */
final class ProofController
{
    private const MOST_MEGABYTES = 80;

    public function show(): View
    {
        return view('signing.proof', ['answer' => null]);
    }

    public function check(Request $request): View
    {
        $request->validate(
            ['pdf' => 'required|file|max:'.self::MOST_MEGABYTES * 1024],
            [
                'pdf.required' => __('client.proof.required'),
                'pdf.max' => __('client.proof.large', ['most' => self::MOST_MEGABYTES]),
                'pdf.uploaded' => __('client.proof.large', ['most' => self::MOST_MEGABYTES]),
            ],
        );
        $file = $request->file('pdf');
        $bytes = $file instanceof UploadedFile ? (string) file_get_contents($file->getPathname()) : '';

        $name = $file instanceof UploadedFile ? $file->getClientOriginalName() : '';

        return view('signing.proof', ['answer' => self::answer($bytes), 'name' => $name]);
    }

    /** @return array{tone: string, title: string, words: list<string>} */
    private static function answer(string $bytes): array
    {
        $set = DB::selectOne('SELECT * FROM sealed_set_of(?)', [hash('sha256', $bytes)]);
        try {
            $check = SealCheck::of($bytes, Roots::trusted());
        } catch (ToolFailed) {
            return self::says('no', 'none', [(string) __('client.proof.no_pdf')]);
        }
        if ($check->answer === SealAnswer::Holds && $set !== null) {
            $at = Carbon::parse($set->sealed_at);
            $when = Moment::sentence($at, $set->zone).' '.Moment::zone($at, $set->zone);

            return self::says('ok', 'whole', [
                (string) __('client.proof.whole_more', ['brokerage' => $set->brokerage, 'when' => $when]),
                (string) __('client.proof.signed', ['signers' => $set->signers]),
            ]);
        }

        return match ($check->answer) {
            SealAnswer::Holds => self::says(
                'ok',
                'sealed',
                [(string) __('client.proof.sealed_more', ['when' => (string) $check->sealedAt])],
            ),
            SealAnswer::AnotherHolds => self::says('dim', 'other', [(string) __('client.proof.other_more')]),
            SealAnswer::AddedTo => self::says('no', 'added', [(string) __('client.proof.added_more')]),
            SealAnswer::Changed => self::says('no', 'changed', [(string) __('client.proof.changed_more')]),
            SealAnswer::NotSealed => self::says(
                'no',
                'none',
                [(string) __(str_contains(substr($bytes, 0, 1024), '%PDF-') ? 'client.proof.none_more' : 'client.proof.no_pdf')],
            ),
        };
    }

    /**
     * @param list<string> $words
     * @return array{tone: string, title: string, words: list<string>}
     */
    private static function says(string $tone, string $what, array $words): array
    {
        return ['tone' => $tone, 'title' => (string) __("client.proof.{$what}"), 'words' => $words];
    }
}
