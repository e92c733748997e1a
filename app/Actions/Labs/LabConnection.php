<?php

declare(strict_types=1);

namespace App\Actions\Labs;

use App\Database\Values;
use App\Exceptions\Conflict;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\PendingRequest;
use Illuminate\Http\Client\Response;
use Illuminate\Support\Facades\Http;

/** The way to a lab over HTTP, at the address that whoever runs the application has set. */
final readonly class LabConnection
{
    public function __construct(private ?string $address) {}

    public function isSet(): bool
    {
        return $this->address !== null;
    }

    /**
     * @param callable(PendingRequest): Response $ask
     *
     * @throws Conflict when it does not answer or refuses
     */
    public function send(callable $ask): Response
    {
        if ($this->address === null) {
            throw Conflict::because('no_lab_interface');
        }
        try {
            $answer = $ask(
                Http::baseUrl($this->address)->timeout(5)->connectTimeout(2)->withoutRedirecting()->acceptJson(),
            );
        } catch (ConnectionException) {
            throw Conflict::because('lab_silent');
        }

        if (! $answer->successful()) {
            $why = mb_substr(Values::text($answer->json('message', 'no reason given')), 0, 200);
            throw Conflict::because('lab_refused', status: $answer->status(), why: $why);
        }

        return $answer;
    }

    public static function strange(): Conflict
    {
        return Conflict::because('lab_answer_strange');
    }
}
