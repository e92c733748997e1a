<?php

declare(strict_types=1);

namespace Tests\Feature\Practice;

use App\Models\PracticeField;
use App\Models\PracticeSoil;
use App\Models\Reading;
use App\Models\User;
use HonestCore\Practice\Lesson;
use Illuminate\Support\Facades\Auth;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Feature\ApiTestCase;

/** Practice ground: a team of its own, whose truth nobody sees before something is signed. */
final class PracticeTest extends ApiTestCase
{
    /** @return iterable<string, array{string}> */
    public static function lessons(): iterable
    {
        foreach (Lesson::all() as $lesson) {
            yield $lesson->title => [$lesson->code];
        }
    }

    #[DataProvider('lessons')]
    public function test_a_lesson_begins_with_what_it_says(string $code): void
    {
        $lesson = Lesson::named($code);
        $field = $this->ground(['lesson' => $code]);
        self::assertSame($this->technician->id, Auth::id(), 'whoever begins it stays who they are');
        $this->stand($field);
        $areas = $this->json('GET', '/api/sites')->assertOk()->json();
        dump([$code, count((array) $areas), PracticeSoil::query()->count(), Reading::query()->count()]);
        self::assertTrue(true);
    }

    /** @param array<string, mixed> $asked */
    private function ground(array $asked = []): PracticeField
    {
        $made = $this->json('POST', '/api/practice/grounds', $asked + ['lesson' => null, 'level' => 'usual', 'seed' => 40])
            ->assertCreated();

        return PracticeField::query()->findOrFail($made->json('id'));
    }

    private function stand(PracticeField $field): User
    {
        $this->actingAs($field->user);

        return $field->user;
    }
}
