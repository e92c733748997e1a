<?php

declare(strict_types=1);

namespace Tests\Feature\Reports;

use App\Models\Area;
use App\Models\Lab;
use App\Models\Sample;
use App\Models\Site;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\Feature\ApiTestCase;
use Tests\Support\ApiDocument;

/** Lab reports as files; every answer is held against the API document. */
abstract class ReportTestCase extends ApiTestCase
{
    protected Site $fen;

    protected Lab $lab;

    protected function setUp(): void
    {
        parent::setUp();
        $this->fen = $this->site('RP');
        $this->lab = $this->lab('Marl Laboratory');
    }

    protected function ground(string $name): Area
    {
        return $this->area($this->fen, name: $name);
    }

    /** An area with four results about a pH. */
    protected function history(string $name, float $ph): Area
    {
        $area = $this->ground($name);
        foreach ([-0.1, 0.0, 0.1, 0.05] as $off) {
            $this->read($this->sample($area), 'lab-ph', number_format($ph + $off, 2));
        }

        return $area;
    }

    /** The code of the lab portion of a new composite. */
    protected function code(?Area $area = null): string
    {
        return $this->portionOf($this->sample($area ?? $this->ground('Sedge meadow '.uniqid())));
    }

    protected function portionOf(Sample $sample): string
    {
        return (string) $sample->portions()->where('kind', 'lab')->valueOrFail('code');
    }

    /**
     * @param array<string, mixed> $more
     * @return TestResponse<Response>
     */
    protected function take(string $text, array $more = [], ?Lab $lab = null): TestResponse
    {
        return $this->send('/reports', $text, $more + ['read_on' => '2026-09-20'], $lab);
    }

    /**
     * @param array<string, mixed> $more
     * @return TestResponse<Response>
     */
    protected function preview(string $text, array $more = [], ?Lab $lab = null): TestResponse
    {
        return $this->send('/reports/read', $text, $more, $lab);
    }

    /**
     * @param array<string, mixed> $more
     * @return TestResponse<Response>
     */
    private function send(string $path, string $text, array $more, ?Lab $lab): TestResponse
    {
        $response = $this->post(
            "/api{$path}",
            $more + [
                'file' => UploadedFile::fake()->createWithContent('report.csv', $text),
                'lab_id' => ($lab ?? $this->lab)->id,
            ],
            ['Accept' => 'application/json'],
        );
        ApiDocument::assertMatches('POST', $path, $response->status(), (string) $response->getContent());

        return $response;
    }
}
