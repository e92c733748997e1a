<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpFoundation\Response;

/**
 * What no field of any request takes is refused at the door, with its place: lists without end before anybody looks at
 * their elements, numbers that no computer number holds, letters that are none, and lists in an address.
 */
final class SoundInput
{
    /** Of a list, or of the fields of an object; positions of ground have a limit of their own. */
    private const MOST_ELEMENTS = 5_000;

    /** Of positions on a boundary, as the core takes them. */
    private const MOST_POSITIONS = 120_000;

    /** Of all values together. */
    private const MOST_VALUES = 500_000;

    private const DEEPEST = 16;

    /** Rows that a person leaves out of a report; a long one may have many. */
    private const LONG = ['coordinates' => self::MOST_POSITIONS, 'skip' => 100_000];

    /** What a file holds, which is read by rules of its own. */
    private const FILES = ['text', 'results'];

    private int $seen = 0;

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        $this->seen = 0;
        foreach ($request->query->all() as $name => $value) {
            is_array($value)
                ? $this->refuse((string) $name, 'it is a list in the address', 'one value')
                : $this->look($value, (string) $name, (string) $name, 0);
        }
        $body = $request->isJson() ? $request->json()->all() : $request->request->all();
        $this->list($body, '', '', 0);

        return $next($request);
    }

    private function look(mixed $value, string $place, string $key, int $depth): void
    {
        if (is_array($value)) {
            $this->list($value, $place, $key, $depth);
        } elseif (is_float($value) && ! is_finite($value)) {
            $this->refuse($place, 'the number is too large for any', 'a number of ordinary size');
        } elseif (is_string($value) && ! mb_check_encoding($value, 'UTF-8')) {
            $this->refuse($place, 'it holds bytes that are no letters', 'text in UTF-8');
        } elseif (is_string($value) && ! in_array($key, self::FILES, true) && preg_match('/[\x00-\x08\x0E-\x1F\x7F]/', $value) === 1) {
            $this->refuse($place, 'it holds control characters', 'text that can be read');
        }
    }

    /** @param array<mixed> $values */
    private function list(array $values, string $place, string $key, int $depth): void
    {
        $most = self::LONG[$key] ?? self::MOST_ELEMENTS;
        $this->seen += count($values);
        if (count($values) > $most) {
            $this->refuse($place, 'it has '.count($values).' elements', "up to {$most}");
        }
        if ($this->seen > self::MOST_VALUES) {
            $this->refuse($place, 'the request holds too many values', 'up to '.self::MOST_VALUES);
        }
        if ($depth > self::DEEPEST) {
            $this->refuse($place, 'lists lie in lists too deep', 'up to '.self::DEEPEST);
        }
        foreach ($values as $name => $value) {
            $next = is_string($name) ? $name : $key;
            $this->look($value, $place === '' ? (string) $name : "{$place}.{$name}", $next, $depth + 1);
        }
    }

    private function refuse(string $place, string $wrong, string $accepted): never
    {
        $place = mb_substr(mb_scrub($place), 0, 80);

        throw ValidationException::withMessages([
            $place === '' ? 'request' : $place => ($place === '' ? 'the request' : $place).": {$wrong}; accepted is {$accepted}.",
        ]);
    }
}
