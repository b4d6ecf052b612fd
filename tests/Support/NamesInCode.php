<?php

declare(strict_types=1);

namespace Tests\Support;

/** What PHP code names: classes of others, and functions it calls. */
final class NamesInCode
{
    /** @return array<string, string> code of a folder's PHP files by their path under the root */
    public static function files(string ...$folders): array
    {
        $root = dirname(__DIR__, 2);
        $files = [];
        foreach ($folders as $folder) {
            $all = new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator("{$root}/{$folder}", \FilesystemIterator::SKIP_DOTS));
            foreach (new \RegexIterator($all, '/\.php$/') as $file) {
                $files[substr((string) $file, strlen($root) + 1)] = (string) file_get_contents((string) $file);
            }
        }
        ksort($files);

        return $files;
    }

    /** @return list<string> full names of classes a text names or takes in */
    public static function classes(string $code): array
    {
        $found = [];
        foreach (\PhpToken::tokenize($code) as $token) {
            if ($token->is([T_NAME_QUALIFIED, T_NAME_FULLY_QUALIFIED])) {
                $found[] = ltrim($token->text, '\\');
            }
        }

        return array_values(array_unique($found));
    }

    /** @return list<string> functions a text calls that are no methods, in small letters */
    public static function calls(string $code): array
    {
        $found = [];
        $tokens = array_values(array_filter(\PhpToken::tokenize($code), static fn (\PhpToken $one) => ! $one->isIgnorable()));
        foreach ($tokens as $at => $token) {
            $isName = $token->is([T_STRING, T_NAME_FULLY_QUALIFIED, T_EXIT]) && ($tokens[$at + 1] ?? null)?->text === '(';
            $before = [T_OBJECT_OPERATOR, T_NULLSAFE_OBJECT_OPERATOR, T_DOUBLE_COLON, T_FUNCTION, T_NEW];
            if ($isName && ! ($tokens[$at - 1] ?? $token)->is($before)) {
                $found[] = strtolower(ltrim($token->text, '\\'));
            }
        }

        return array_values(array_unique($found));
    }

    /** Whether each class a text declares is final or cannot be, as an interface or an enum. */
    public static function isFinal(string $code): bool
    {
        $tokens = array_values(array_filter(\PhpToken::tokenize($code), static fn (\PhpToken $one) => ! $one->isIgnorable()));
        foreach ($tokens as $at => $token) {
            $isNamed = $token->is(T_CLASS) && ($tokens[$at + 1] ?? $token)->is(T_STRING);
            $words = array_map(static fn (\PhpToken $one) => $one->text, array_slice($tokens, max(0, $at - 2), min(2, $at)));
            if ($isNamed && ! in_array('final', $words, true)) {
                return false;
            }
        }

        return true;
    }
}
