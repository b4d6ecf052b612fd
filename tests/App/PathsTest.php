<?php

declare(strict_types=1);

use Illuminate\Http\Request;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Route;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;

/** @return array<string, list<string>> by "METHOD /path", with * where a view fills something in, the views that lead there */
function pathsInViews(): array
{
    $found = [];
    foreach (File::allFiles(resource_path('views')) as $view) {
        $text = (string) preg_replace(['/\{\{--.*?--\}\}/s', '/\{\{.*?\}\}|\{!!.*?!!\}/s'], ['', '*'], $view->getContents());
        preg_match_all('~<form\b[^>]*?action="(/[^"]*)"[^>]*>.{0,400}~s', $text, $forms, PREG_SET_ORDER);
        foreach ($forms as [$form, $path]) {
            $body = strstr($form, '</form>', true) ?: $form;
            preg_match_all('/\bmethod="(\w+)"|@method\(\'(\w+)\'\)/', $body, $methods);
            // What a view writes into a form by itself may name its method too.
            $method = strtoupper(implode('|', array_filter([...$methods[1], ...$methods[2]]))) ?: 'GET';
            $found[($method === 'POST' && str_contains($body, '>*') ? 'POST|PUT' : $method)." {$path}"][] = $view->getRelativePathname();
        }
        preg_match_all('~\b(href|src|hx-(?:get|post|put|delete|patch))="(/[^"]*)"~', $text, $links, PREG_SET_ORDER);
        foreach ($links as [, $attribute, $path]) {
            $method = str_starts_with($attribute, 'hx-') ? strtoupper(substr($attribute, 3)) : 'GET';
            $found["{$method} {$path}"][] = $view->getRelativePathname();
        }
    }

    return $found;
}

/**
 * Whatever a view fills in is a key of some kind: a ULID, a number, a form's number, a word, or nothing.
 *
 * @param list<string> $methods
 */
function isThere(string $uri, array $methods): bool
{
    foreach ($methods as $method) {
        foreach (['01arz3ndektsv4rrffq69g5fav', '1', 'M-101', 'x', ''] as $filled) {
            try {
                Route::getRoutes()->match(Request::create(str_replace('*', $filled, $uri), $method));

                return true;
            } catch (HttpExceptionInterface) {
            }
        }
    }

    return false;
}

it('leads from every view to a route there is, by its method', function () {
    $paths = pathsInViews();
    $wrong = [];
    foreach ($paths as $path => $views) {
        [$method, $uri] = explode(' ', $path, 2);
        isThere(strtok($uri, '?#') ?: '/', explode('|', $method)) || ($wrong[] = "{$path} in ".implode(', ', array_unique($views)));
    }
    expect($wrong)->toBe([])->and(count($paths))->toBeGreaterThan(200);
});
