<?php

declare(strict_types=1);

namespace App\Access\Http;

use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\InputBag;
use Symfony\Component\HttpFoundation\ParameterBag;
use Symfony\Component\HttpFoundation\Response;
use Unanimus\Pages\PlainText;

/**
 * The one gate for text from outside: what can neither be stored nor drawn is dropped from it, and where one text belongs
 * there is one, no list.
 */
final class PlainInput
{
    /** Names under which lists, or lists of lists, are sent. */
    private const LISTS = [
        'addresses',
        'agents',
        'answers',
        'apart',
        'audience',
        'change',
        'clients',
        'choices',
        'codes',
        'days',
        'columns',
        'events',
        'facts',
        'fees',
        'files',
        'inner',
        'items',
        'keys',
        'languages',
        'lines',
        'looked',
        'matched',
        'may',
        'notes',
        'pages',
        'papers',
        'place',
        'reach',
        'reminders',
        'review',
        'roles',
        'scopes',
        'seats',
        'shares',
        'some',
        'splits',
        'stood',
        'take',
        'tasks',
        'terms',
        'to',
        'turns',
        'uploads',
        'v',
        'when',
        'years',
        'which',
    ];

    public function handle(Request $request, \Closure $next): Response
    {
        foreach ([$request->query, $request->request, ...$request->isJson() ? [$request->json()] : []] as $bag) {
            $wrong = $this->clean($bag);
            if ($wrong !== null) {
                $told = "“{$wrong}” was sent as a list, but only one value fits there. Nothing was changed; reload the page.";

                return $request->expectsJson() || $request->header('HX-Request') !== null
                    ? new JsonResponse(['message' => $told], 422)
                    : response()->view('errors.422', ['told' => $told], 422);
            }
        }

        return $next($request);
    }

    /**
     * @param InputBag<mixed>|ParameterBag $bag
     * @return string|null the name of a list that should be none
     */
    private function clean(ParameterBag $bag): ?string
    {
        $clean = [];
        foreach ($bag->all() as $name => $value) {
            if (is_array($value) && ! in_array($name, self::LISTS, true)) {
                return mb_strimwidth(PlainText::of((string) $name), 0, 40, '…');
            }
            $clean[PlainText::of((string) $name)] = self::plain($value, 0);
        }
        $bag->replace($clean);

        return null;
    }

    private static function plain(mixed $value, int $depth): mixed
    {
        if (is_string($value)) {
            return PlainText::of($value);
        }

        return is_array($value) ? ($depth > 12 ? [] : array_map(static fn (mixed $one) => self::plain($one, $depth + 1), $value)) : $value;
    }
}
