<?php

declare(strict_types=1);

namespace Tests\Feature\Ends;

use App\Models\Release;
use App\Planning\InstallationStore;
use Illuminate\Support\Facades\DB;
use Tests\TestCase;

/** Procedures through the door: on the sheet, at the bench, as types, in a release. */
final class ProceduresTest extends TestCase
{
    /** @return array<array-key, mixed> */
    private function definition(string $id): array
    {
        return (array) $this->as('planner')->getJson('/api/types/procedure/'.$id)->assertOk()->json('definition');
    }

    public function test_a_sheet_shows_each_step_with_the_end_after_it(): void
    {
        $leg = $this->as('bench')->getJson('/api/runs/A-121/sheet/A')->assertOk()->json('sheet.fittings.0.legs.0');
        self::assertTrue($leg['made']['right']);
        $marks = array_column($leg['made']['steps'], 'mark', 'id');
        self::assertSame('mark at 20 mm, from the cut end', $marks['sheath-off']);
        $drawn = [];
        foreach ($leg['made']['steps'] as $step) {
            $svg = (string) $this->get('/api/runs/A-121/sheet/A/strip.svg?leg='.$leg['id'].'&step='.$step['id'])
                ->assertOk()
                ->getContent();
            self::assertNotFalse(simplexml_load_string($svg), $step['id']);
            $drawn[$step['id']] = $svg;
        }
        self::assertNotSame($drawn['sheath-off'], $drawn['foil-off']);
        $this->get('/api/runs/A-121/sheet/A/strip.svg?step=glue')->assertNotFound();
        // All three are as long as the steps leave them, and the table says so.
        self::assertSame(['17 mm'], array_values(array_unique(array_column($leg['cores'], 'cut'))));
    }

    /** One length for all of a block, and the same one in the table of blocks and of cores. */
    public function test_blocks_and_cores_agree(): void
    {
        $fitting = $this->as('bench')->getJson('/api/runs/M-201/sheet/B')->assertOk()->json('sheet.fittings.0');
        self::assertGreaterThan(2, count($fitting['blocks']));
        foreach ($fitting['blocks'] as $block) {
            foreach ($fitting['legs'][0]['cores'] as $core) {
                if (in_array($core['channel'], $block['channels'], true)) {
                    self::assertSame($block['cut'], $core['cut'], $core['conductor']);
                }
            }
        }
    }

    public function test_what_secures_a_life_stays_in_every_copy(): void
    {
        $copy = $this->definition('mains-screws');
        $copy['id'] = 'mains-quickly';
        $whole = $copy;
        $copy['steps'] = array_values(array_filter(
            $copy['steps'],
            static fn (array $step): bool => $step['id'] !== 'polarity',
        ));
        $this->putJson('/api/types/procedure', ['definition' => $copy])
            ->assertUnprocessable()
            ->assertSee('Step polarity of')
            ->assertSee('keep it as it is');
        $this->putJson('/api/types/procedure', ['definition' => $whole])->assertOk();
    }

    public function test_a_procedure_with_a_mistake_is_refused_by_its_step_and_nothing_is_saved(): void
    {
        $copy = ['id' => 'cups-otherwise'] + $this->definition('cup-3-pole');
        $copy['steps'][0]['do'] = 'glue';
        $this->putJson('/api/types/procedure', ['definition' => $copy])
            ->assertUnprocessable()
            ->assertSee('steps[0].do');
        $this->getJson('/api/types/procedure/cups-otherwise')->assertNotFound();
    }

    /** Before it is saved it is tried on ends that are here, and drawn after each step; nothing of it is kept. */
    public function test_a_procedure_is_tried_before_it_is_saved(): void
    {
        $whole = $this->definition('cup-3-pole');
        $try = fn (array $definition, array $more = []) => $this->postJson(
            '/api/types/procedure/try',
            ['definition' => $definition] + $more,
        );
        $first = $try($whole, ['step' => 'sheath-off'])->assertOk()->json();
        self::assertSame([], array_merge(...array_column($first['ends'], 'wrong')));
        self::assertContains(true, array_column($first['ends'], 'here'));
        self::assertNotFalse(simplexml_load_string($first['picture']));
        self::assertSame(array_column($whole['steps'], 'id'), array_column($first['steps'], 'id'));
        $other = $try($whole, ['step' => 'join', 'end' => 1])->assertOk()->json();
        self::assertSame(1, $other['end']);
        self::assertNotSame($first['picture'], $other['picture']);
        // Too little sheath off: said at the steps that it hinders, and of every end.
        $short = $whole;
        $at = array_search('sheath-off', array_column($short['steps'], 'id'), true);
        $short['steps'][$at]['measure']['length'] = '9 mm';
        $wrong = $try($short)->assertOk()->json();
        self::assertNotContains(true, array_column($wrong['ends'], 'right'));
        $lacks = array_column($wrong['steps'], 'lacks', 'id');
        self::assertStringContainsString('still round', implode(' ', $lacks['foil-off']));
        self::assertSame([], $lacks['sheath-off']);
        // What cannot be read names its field; what secures a life is named; nobody else may.
        $short['steps'][0]['do'] = 'glue';
        $try($short)->assertUnprocessable()->assertSee('steps[0].do');
        $mains = $this->definition('mains-screws');
        $mains['steps'] = array_values(array_filter(
            $mains['steps'],
            static fn (array $step): bool => $step['id'] !== 'polarity',
        ));
        self::assertStringContainsString('Step polarity of', implode(' ', $try($mains)->assertOk()->json('locked')));
        self::assertSame($whole, $this->definition('cup-3-pole'));
        $this->as('bench')->postJson('/api/types/procedure/try', ['definition' => $whole])->assertForbidden();
    }

    /** Whoever has another edition than ships sees that one beside it. */
    /** What a step is done under is chosen from what a house may answer, and every such answer is one of them. */
    public function test_answers_of_the_house_are_offered_in_words(): void
    {
        $shown = $this->as('lead')->getJson('/api/types/procedure/mains-screws')->assertOk();
        $offered = array_column((array) $shown->json('answers'), 'title', 'value');
        self::assertStringEndsWith(' Bootlace ferrule', (string) ($offered['mainsEnds=ferrule'] ?? ''));
        $under = array_merge(...array_column((array) $shown->json('definition.steps'), 'under'));
        self::assertNotSame([], $under);
        self::assertSame([], array_diff($under, array_keys($offered)));
        self::assertSame([], $this->getJson('/api/types/cable/pair-foil')->json('answers'));
    }

    public function test_a_newer_edition_is_shown_beside_one_of_ones_own(): void
    {
        $own = $this->definition('cup-3-pole');
        self::assertNull($this->getJson('/api/types/procedure/cup-3-pole')->json('newer'));
        $shipped = $own;
        $own['source'] = 'the house';
        $this->putJson('/api/types/procedure', ['definition' => $own])->assertOk();
        self::assertSame($shipped, $this->getJson('/api/types/procedure/cup-3-pole')->json('newer'));
    }

    /** One that does not make an end right is said so at the sheet, with the step; the bench has no length of it. */
    public function test_a_procedure_that_does_not_make_an_end_says_so_and_the_bench_follows_none_of_it(): void
    {
        $own = $this->definition('cup-3-pole');
        $own['steps'] = array_values(array_filter(
            $own['steps'],
            static fn (array $step): bool => $step['id'] !== 'cores-tin',
        ));
        $this->putJson('/api/types/procedure', ['definition' => $own])->assertOk();
        $leg = $this->getJson('/api/runs/A-121/sheet/A')->json('sheet.fittings.0.legs.0');
        $made = $leg['made'];
        self::assertSame('As its maker says', $leg['bench']);
        self::assertFalse($made['right']);
        self::assertStringContainsString('is not tinned', implode(' ', $made['wrong']));
        $pieces = collect($this->getJson('/api/bench/A-121')->json('job.steps'))->flatMap->pieces->pluck('id');
        $atA = $pieces->filter(static fn (string $id): bool => str_contains($id, '|A|leg-1|make|'));
        self::assertContains('A-121|A|leg-1|make|prepare', $atA);
        self::assertNotContains('A-121|A|leg-1|make|sheath-off', $atA);
        // Its joints, its tug, its look and its closing are there as at any other end.
        foreach (['join|1', 'join|2', 'join|3', 'tug', 'inspect', 'close'] as $step) {
            self::assertContains('A-121.a1|'.$step, $pieces);
        }
    }

    private function steps(): string
    {
        return collect($this->as('bench')->getJson('/api/bench/A-121')->json('job.steps'))
            ->flatMap->pieces->pluck('id')->implode(' ');
    }

    public function test_a_release_keeps_the_procedures_that_it_was_released_with(): void
    {
        $this->as('lead')->postJson('/api/releases', ['note' => 'to the bench'])->assertStatus(202);
        $document = json_decode(Release::query()->firstOrFail()->document, true, 512, JSON_THROW_ON_ERROR);
        self::assertContains('cup-3-pole', array_column($document['catalogue']['procedures'], 'id'));
        self::assertStringContainsString('|make|sheath-off', $this->steps());
    }

    /** Nothing of it is cut longer than it was then: what its ends use up was not reckoned. */
    public function test_a_release_from_before_there_were_procedures_is_made_by_them_and_reckoned_as_it_was(): void
    {
        $this->as('lead')->postJson('/api/releases', ['note' => 'to the bench'])->assertStatus(202);
        $release = Release::query()->firstOrFail();
        $document = json_decode($release->document, true, 512, JSON_THROW_ON_ERROR);
        unset($document['catalogue']['procedures']);
        $release->document = json_encode($document, JSON_THROW_ON_ERROR);
        // Nobody had it in rows then.
        $release->in_rows = false;
        $release->save();
        DB::table('released_rows')->delete();
        self::assertStringContainsString('|make|', $this->steps());
        self::assertStringNotContainsString('|bare|', $this->steps());
        $store = $this->app->make(InstallationStore::class);
        $then = $store->at($this->installation->refresh(), $release);
        self::assertTrue($then->pinned->former->isAlone);
        self::assertFalse($store->load($this->installation)->pinned->former->isAlone);
    }
}
