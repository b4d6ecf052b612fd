<?php

declare(strict_types=1);

namespace App\Help;

/** Short pages of help, one for each place: what it is for, what one does there, and what people ask. */
final class Guide
{
    /** Places in the order of the guide, by what they are about, each with its name and the picture it has. */
    public const GROUPS = [
        'Every day' => [
            'today' => ['Today', 'today'],
            'files' => ['Files and finding', 'files'],
            'tasks' => ['Tasks', 'tasks'],
            'contacts' => ['Address book', 'contacts'],
        ],
        'A deal' => [
            'opening' => ['Opening a file', 'opening'],
            'file' => ['A file', 'file'],
            'dates' => ['Dates', 'dates'],
            'offers' => ['Offers and net', 'offers'],
            'messages' => ['Messages', 'messages'],
            'clients' => ['Client pages', 'clients'],
            'delivery' => ['Delivery', 'delivery'],
        ],
        'Documents' => [
            'paper' => ['Filling in a form', 'paper'],
            'round' => ['Sending for signature', 'round'],
            'stencils' => ['Stencils', 'round'],
            'inbox' => ['The inbox', 'inbox'],
            'sorting' => ['Sorting a scan', 'sorting'],
            'shelf' => ['Shelf', 'shelf'],
            'forms' => ['Your own forms', 'forms'],
            'kits' => ['Kits and rules', 'kits'],
            'letters' => ['Form letters', 'letters'],
        ],
        'Review and money' => [
            'review' => ['Broker review', 'review'],
            'commission' => ['Commission', 'commission'],
            'plans' => ['Plans and fees', 'plans'],
            'reports' => ['Reports', 'reports'],
        ],
        'The office' => [
            'office' => ['The office', 'office'],
            'roster' => ['Roster', 'roster'],
            'permissions' => ['Permissions', 'permissions'],
            'archive' => ['Archive', 'archive'],
            'history' => ['History', 'history'],
            'moving' => ['Moving in', 'moving'],
            'connections' => ['Connections', 'connections'],
            'running' => ['Running', 'running'],
        ],
        'You' => [
            'notices' => ['Notifications', 'notices'],
            'me' => ['Your account', 'me'],
        ],
    ];

    /** @return array<string, array{string, string}> all places, each with its name and the picture it has */
    public static function places(): array
    {
        return array_merge(...array_values(self::GROUPS));
    }

    /** Which page of the guide belongs to a page of the application. */
    public static function of(string $path): string
    {
        $path = trim($path, '/');
        $rules = [
            '#^$#' => 'today',
            '#^files$|^find$|^listings#' => 'files',
            '#^tasks#' => 'tasks',
            '#^contacts#' => 'contacts',
            '#^open$|/opening$#' => 'opening',
            '#^files/[^/]+/(?:dates|shift)#' => 'dates',
            '#^files/[^/]+/(?:offers|net|listing)#' => 'offers',
            '#^files/[^/]+/(?:messages|mail)#' => 'messages',
            '#^files/[^/]+/clients#' => 'clients',
            '#^files/[^/]+/delivery|^sets|^working-copies#' => 'delivery',
            '#^files/[^/]+/history|^office/history#' => 'history',
            '#^files/[^/]+/keeping|^office/archive#' => 'archive',
            '#^files/[^/]+/kits|^kits|^rules#' => 'kits',
            '#^files/[^/]+/commission|^commission#' => 'commission',
            '#^reports#' => 'reports',
            '#^stacks#' => 'sorting',
            '#^office/inbox|^inbox#' => 'inbox',
            '#^stencils#' => 'stencils',
            '#^rounds#' => 'round',
            '#^own-forms|^office/library#' => 'forms',
            '#^papers|/forms$|/fill-requests#' => 'paper',
            '#^review|^reads|/readers$|^requirements#' => 'review',
            '#^imports#' => 'moving',
            '#^notices#' => 'notices',
            '#^me(?:/|$)#' => 'me',
            '#^office/(?:shelf|sheet)#' => 'shelf',
            '#^office/letter#' => 'letters',
            '#^office/roster#' => 'roster',
            '#^office/permissions|^people/#' => 'permissions',
            '#^office/(?:plans|fees|disbursements)#' => 'plans',
            '#^office/connections#' => 'connections',
            '#^office/running#' => 'running',
            '#^office|^people#' => 'office',
        ];
        foreach ($rules as $rule => $place) {
            if (preg_match($rule, $path) === 1) {
                return $place;
            }
        }

        return 'file';
    }
}
