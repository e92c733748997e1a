<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Exceptions\Conflict;
use App\Models\Submission;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * A submission that comes twice is taken once, and answered as the first time; under the name of one that was taken, other
 * content is refused in words.
 */
final class OnceOnly
{
    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        $name = $request->isMethod('GET') ? null : $request->input('submission');
        if (! is_string($name) || preg_match('/^[0-9a-f-]{36}$/i', $name) !== 1) {
            return $next($request);
        }
        $content = Submission::contentOf($request->path(), $request->isJson() ? $request->json()->all() : $request->request->all());
        if (Submission::holdsOther($name, $content)) {
            throw Conflict::because('submission_other');
        }
        $response = $next($request);
        if ($response->isSuccessful()) {
            Submission::keep($name, $content);
        }

        return $response;
    }
}
