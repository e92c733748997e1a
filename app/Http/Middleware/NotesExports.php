<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Actions\People\NoteEvent;
use App\Database\Patience;
use App\Models\PracticeField;
use App\Models\User;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** What left the team as a file is noted, with what it was. */
final class NotesExports
{
    public function __construct(private readonly NoteEvent $note) {}

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        $user = User::signedIn();
        if ($user !== null && $response->isSuccessful()) {
            Patience::short(fn () => ($this->note)($user, 'exported', substr($request->path(), strlen('api/'))));
        }

        if (PracticeField::here() !== null) {
            $this->mark($response);
        }

        return $response;
    }

    /** A file of practice ground says so by its name. */
    private function mark(Response $response): void
    {
        $named = (string) $response->headers->get('Content-Disposition');
        $response->headers->set('Content-Disposition', (string) preg_replace('/filename="?/', '$0practice-', $named));
    }
}
