<?php

declare(strict_types=1);

use App\Mail\Wording;
use Illuminate\Support\Arr;

it('leaves no gap where a letter has no message and no last day, and puts in what people wrote as they wrote it', function () {
    $with = ['sender' => 'Tomás Iriarte', 'file' => '14 Lanternfish Lane', 'round' => 'Offer'];
    $with = [...$with, 'until' => '', 'attached' => '', 'message' => ''];
    expect(Wording::of('invite', $with, 1)->body)
        ->toBe(
            "Tomás Iriarte asks you to sign a document for 14 Lanternfish Lane.\n\n".
                'The button opens the document. This link is only for you. Please do not forward this email.',
        )
        ->and(Wording::of('invite', [...$with, 'message' => "Ask for :file | or\n\n\nring me", 'until' => 'Please sign by '.
            'Friday.'], 2)->body)
        ->toContain("two documents for 14 Lanternfish Lane. Please sign by Friday.\n\nAsk for :file | or\n\nring me\n\nThe button")
        ->and(Wording::of('invite', $with, 7)->body)
        ->toContain('sign 7 documents for');
});

it('has a subject, a body and a label for every letter that is written anywhere', function () {
    $letters = array_filter(Arr::dot(require base_path('lang/en/mail.php')), 'is_string');
    $written = [];
    foreach (new RegexIterator(new RecursiveIteratorIterator(new RecursiveDirectoryIterator(base_path('app'))), '/\.php$/') as $file) {
        preg_match_all(
            "/Wording::of\\(\\s*(?:\\\$in \\? '([\\w.]+)' : )?'([\\w.]+)'/",
            (string) file_get_contents((string) $file),
            $found,
            PREG_SET_ORDER,
        );
        foreach ($found as [, $first, $second]) {
            $written = [...$written, ...array_filter([$first, $second])];
        }
    }
    expect(count(array_unique($written)))->toBeGreaterThanOrEqual(15);
    foreach (array_unique($written) as $letter) {
        foreach (['subject', 'body', 'label'] as $part) {
            expect($letters)->toHaveKey("{$letter}.{$part}");
        }
    }
});
