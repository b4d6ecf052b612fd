<?php

declare(strict_types=1);

namespace App\Help;

/** Short pages of help, one for each place: what it is for, what one does there, and what people ask. */
final class Guide
{
    /** Places in the order of the guide, each with its name and the picture it has. */
    public const PLACES = [
        'today' => ['Today', 'today'],
        'opening' => ['Opening a file', 'opening'],
        'file' => ['A file', 'file'],
        'paper' => ['Filling in a form', 'paper'],
        'round' => ['Sending for signature', 'round'],
        'review' => ['Broker review', 'review'],
        'commission' => ['Commission', 'commission'],
        'inbox' => ['The inbox', 'sorting'],
        'office' => ['The office', 'office'],
    ];

    /** Which page of the guide belongs to a page of the application. */
    public static function of(string $path): string
    {
        $path = trim($path, '/');
        $rules = [
            '#^$#' => 'today',
            '#^open$|/opening$#' => 'opening',
            '#^files/[^/]+/commission|^commission|^reports#' => 'commission',
            '#^office/inbox|^stacks|^inbox#' => 'inbox',
            '#^rounds|^stencils#' => 'round',
            '#^papers|/forms$|/fill-requests#' => 'paper',
            '#^review|^reads#' => 'review',
            '#^office|^people|^kits|^rules|^own-forms|^contacts|^imports|^me#' => 'office',
        ];
        foreach ($rules as $rule => $place) {
            if (preg_match($rule, $path) === 1) {
                return $place;
            }
        }

        return 'file';
    }
}
