<?php

declare(strict_types=1);

namespace App\Http\Requests\Evidence;

use App\Actions\Evidence\Beside;
use App\Database\Page;
use Illuminate\Foundation\Http\FormRequest;

/** What a test is held against, and which of its pairs are asked for. */
final class EvidenceRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'reference' => ['sometimes', 'integer'],
            'reader' => ['nullable', 'string', 'max:120', 'required_with:against'],
            'records' => ['sometimes', 'boolean'],
            'against' => ['nullable', 'string', 'max:120', 'required_with:reader'],
            'out' => ['sometimes', 'boolean'],
            'page' => Page::ASKED,
        ];
    }

    public function beside(): Beside
    {
        return new Beside(
            $this->filled('reference') ? $this->integer('reference') : null,
            $this->string('reader')->toString(),
            $this->string('against')->toString(),
            $this->boolean('records'),
        );
    }
}
