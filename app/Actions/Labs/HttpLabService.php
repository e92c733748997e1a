<?php

declare(strict_types=1);

namespace App\Actions\Labs;

use App\Exceptions\Conflict;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\PendingRequest;
use Illuminate\Http\Client\Response;
use Illuminate\Support\Facades\Http;

/** The interface over HTTP, at the address that whoever runs the application has set; no address comes from a page. */
final class HttpLabService implements LabService
{
    public function __construct(private readonly ?string $address, private readonly bool $simulated) {}

    public function isThere(): bool
    {
        return $this->address !== null;
    }

    public function isSimulated(): bool
    {
        return $this->simulated;
    }

    public function announce(string $reference, int $transitDays, int $turnaroundDays, array $portions): string
    {
        $answer = $this->send(
            static fn (PendingRequest $http): Response => $http->post('consignments', [
                'reference' => $reference,
                'transit_days' => $transitDays,
                'turnaround_days' => $turnaroundDays,
                'portions' => $portions,
            ]),
        );
        $id = $answer->json('id');

        return is_string($id) ? $id : throw self::strange();
    }

    public function ask(string $id): array
    {
        $answer = $this->send(
            static fn (PendingRequest $http): Response => $http->get('consignments/'.rawurlencode($id)),
        );
        [$state, $word, $day, $reports] = [
            $answer->json('state'),
            $answer->json('word'),
            $answer->json('day'),
            $answer->json('reports'),
        ];
        if (! is_string($state) || ! is_string($word) || ! is_string($day) || ! is_array($reports)) {
            throw self::strange();
        }

        return [
            'state' => $state,
            'word' => mb_substr($word, 0, 200),
            'day' => $day,
            'reports' => array_values(array_filter($reports, is_string(...))),
        ];
    }

    public function report(string $id, string $name): string
    {
        $text = $this->send(
            static fn (PendingRequest $http): Response => $http->get(
                'consignments/'.rawurlencode($id).'/reports/'.rawurlencode($name),
            ),
        )->body();

        return strlen($text) <= 2_000_000 && mb_check_encoding($text, 'UTF-8') ? $text : throw self::strange();
    }

    public function recheck(string $id, array $codes, string $why): string
    {
        $word = $this->send(
            static fn (PendingRequest $http): Response => $http->post('consignments/'.rawurlencode($id).'/recheck', [
                'codes' => $codes,
                'why' => $why,
            ]),
        )->json('word');

        return is_string($word) ? mb_substr($word, 0, 200) : throw self::strange();
    }

    public function order(array $order): string
    {
        $word = $this->send(static fn (PendingRequest $http): Response => $http->post('clock', $order))->json('word');

        return is_string($word) ? $word : throw self::strange();
    }

    /** @param callable(PendingRequest): Response $ask */
    private function send(callable $ask): Response
    {
        if ($this->address === null) {
            throw new Conflict(
                'No interface of a lab is set up here. Send the consignment without one, and enter what the lab says by '.
                    'hand.',
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
                    mb_substr((string) $answer->json('message', 'no reason given'), 0, 200),
            );
    }

    private static function strange(): Conflict
    {
        return new Conflict('The lab\'s interface gave an answer that makes no sense. Nothing was changed.');
    }
}
