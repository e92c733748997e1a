<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Actions\People\NoteEvent;
use App\Database\Patience;
use App\Models\User;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** What somebody wanted to do and may not is noted for who administers the team. */
final class NotesRefusals
{
    public function __construct(private readonly NoteEvent $note) {}

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        $user = User::signedIn();
        if ($user !== null && $response->getStatusCode() === Response::HTTP_FORBIDDEN) {
            $what = strtolower($request->method()).' '.substr($request->path(), strlen('api/'));
            Patience::short(fn () => ($this->note)($user, 'not_allowed', $what));
        }

        return $response;
    }
}
