<?php

declare(strict_types=1);

namespace App\Actions\Labs;

use Illuminate\Http\Client\PendingRequest;
use Illuminate\Http\Client\Response;

/** The interface over HTTP, at the address that whoever runs the application has set; no address comes from a page. */
final class HttpLabInterface implements LabInterface
{
    public function __construct(private readonly LabConnection $lab) {}

    public function isThere(): bool
    {
        return $this->lab->isSet();
    }

    public function announce(string $reference, int $transitDays, int $turnaroundDays, array $portions): string
    {
        $answer = $this->lab->send(
            static fn (PendingRequest $http): Response => $http->post('consignments', [
                'reference' => $reference,
                'transit_days' => $transitDays,
                'turnaround_days' => $turnaroundDays,
                'portions' => $portions,
            ]),
        );
        $id = $answer->json('id');

        return is_string($id) ? $id : throw LabConnection::strange();
    }

    public function ask(string $id): LabAnswer
    {
        $answer = $this->lab->send(
            static fn (PendingRequest $http): Response => $http->get('consignments/'.rawurlencode($id)),
        );
        [$state, $word, $reports] = [$answer->json('state'), $answer->json('word'), $answer->json('reports')];
        if (! is_string($state) || ! is_string($word) || ! is_array($reports)) {
            throw LabConnection::strange();
        }

        return new LabAnswer($state, mb_substr($word, 0, 200), array_values(array_filter($reports, is_string(...))));
    }

    public function report(string $id, string $name): string
    {
        $text = $this->lab->send(
            static fn (PendingRequest $http): Response => $http->get(
                'consignments/'.rawurlencode($id).'/reports/'.rawurlencode($name),
            ),
        )->body();

        return strlen($text) <= 2_000_000 && mb_check_encoding($text, 'UTF-8') ? $text : throw LabConnection::strange();
    }

    public function recheck(string $id, array $codes, string $why): string
    {
        $word = $this->lab->send(
            static fn (PendingRequest $http): Response => $http->post('consignments/'.rawurlencode($id).'/recheck', [
                'codes' => $codes,
                'why' => $why,
            ]),
        )->json('word');

        return is_string($word) ? mb_substr($word, 0, 200) : throw LabConnection::strange();
    }
}
