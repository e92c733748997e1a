<?php

declare(strict_types=1);

namespace App\Http\Controllers\Evidence;

use App\Actions\Evidence\GatherEvidence;
use App\Exceptions\Conflict;
use App\Http\Resources\Evidence\EvidenceResource;
use App\Models\SignedVerdict;
use App\Models\TestMethod;
use Illuminate\Http\Request;

/** A test beside the lab it is judged by, beside another lab that is named, or one reader beside another. */
final class ShowEvidence
{
    public function __invoke(Request $request, TestMethod $method, GatherEvidence $gather): EvidenceResource
    {
        $request->validate([
            'reference' => ['sometimes', 'integer'],
            'reader' => ['nullable', 'string', 'max:120', 'required_with:against'],
            'against' => ['nullable', 'string', 'max:120', 'required_with:reader'],
        ]);
        $untested = $gather->untested($method);
        if ($untested !== null) {
            throw new Conflict("{$method->name}: {$untested}");
        }
        if ($request->filled('reader')) {
            return new EvidenceResource(
                $gather->readers(
                    $method,
                    $request->string('against')->toString(),
                    $request->string('reader')->toString(),
                ),
                [],
            );
        }
        $references = $gather->references($method);
        $asked = $request->filled('reference') ? $request->integer('reference') : null;
        foreach ($references as $one) {
            if ($asked === null || $one->id === $asked) {
                return new EvidenceResource(
                    $gather($method, $one),
                    SignedVerdict::standing()
                        ->where('method_id', $method->id)
                        ->where('reference_id', $one->id)
                        ->with(SignedVerdict::SHOWN_WITH)
                        ->get(),
                );
            }
        }

        throw new Conflict(
            $references === []
                ? "{$method->name} has no other method here to stand beside."
                : 'That method measures something else, or by another extractant: the two are never compared.',
        );
    }
}
