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
            throw new Conflict(
                'No interface of a lab is set up here. Send the consignment without one, and enter what the lab '.
                    'says by hand.',
            );
        }
        try {
            $answer = $ask(
                Http::baseUrl($this->address)->timeout(5)->connectTimeout(2)->withoutRedirecting()->acceptJson(),
            );
        } catch (ConnectionException) {
            throw new Conflict(
                'The lab\'s interface does not answer. Nothing was changed; try again, or go on without it.',
            );
        }

        return $answer->successful()
            ? $answer
            : throw new Conflict(
                "The lab's interface refused ({$answer->status()}): ".
                    mb_substr(Values::text($answer->json('message', 'no reason given')), 0, 200),
            );
    }

    public static function strange(): Conflict
    {
        return new Conflict('The lab\'s interface gave an answer that makes no sense. Nothing was changed.');
    }
}
