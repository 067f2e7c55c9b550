<?php

declare(strict_types=1);

use App\Contract\Places;
use App\Http\Controllers\ArrivalController;
use App\Http\Controllers\ContractController;
use App\Http\Controllers\Ends\LabelController;
use App\Http\Controllers\Ends\ReachController;
use App\Http\Controllers\Ends\SheetController;
use App\Http\Controllers\ErrandController;
use App\Http\Controllers\File\CsvController;
use App\Http\Controllers\File\FileController;
use App\Http\Controllers\Given\BuildingController;
use App\Http\Controllers\Given\CatalogueController;
use App\Http\Controllers\Given\CircuitController;
use App\Http\Controllers\Given\EquipmentController;
use App\Http\Controllers\Given\FittingController;
use App\Http\Controllers\Given\LibraryController;
use App\Http\Controllers\Given\PlanController;
use App\Http\Controllers\Given\RulesController;
use App\Http\Controllers\Given\SharedController;
use App\Http\Controllers\Given\TypeController;
use App\Http\Controllers\Given\WalkController;
use App\Http\Controllers\InstallationController;
use App\Http\Controllers\Later\AuditController;
use App\Http\Controllers\Later\HandoverController;
use App\Http\Controllers\Later\OvertakenController;
use App\Http\Controllers\Later\PackController;
use App\Http\Controllers\Later\ReleaseController;
use App\Http\Controllers\Later\ServiceController;
use App\Http\Controllers\Later\TemplateController;
use App\Http\Controllers\Plan\AssemblyController;
use App\Http\Controllers\Plan\ChangeController;
use App\Http\Controllers\Plan\DraftController;
use App\Http\Controllers\Plan\EndController;
use App\Http\Controllers\Plan\FindController;
use App\Http\Controllers\Plan\PatternController;
use App\Http\Controllers\Plan\RunController;
use App\Http\Controllers\Plan\ScheduleController;
use App\Http\Controllers\Plan\SinceController;
use App\Http\Controllers\Plan\ViewController;
use App\Http\Controllers\Plan\WhyController;
use App\Http\Controllers\Proof\EventController;
use App\Http\Controllers\Proof\InstrumentController;
use App\Http\Controllers\Proof\SimulatorController;
use App\Http\Controllers\Proof\TestController;
use App\Http\Controllers\Proof\TrainerController;
use App\Http\Controllers\Ways\LoomController;
use App\Http\Controllers\Who\AccountController;
use App\Http\Controllers\Who\InvitationController;
use App\Http\Controllers\Who\NoticeController;
use App\Http\Controllers\Who\OrganisationController;
use App\Http\Controllers\Who\SessionController;
use App\Http\Controllers\Work\BenchController;
use App\Http\Controllers\Work\CrewController;
use App\Http\Controllers\Work\CuttingController;
use App\Http\Controllers\Work\GuideController;
use App\Http\Controllers\Work\OutstandingController;
use App\Http\Controllers\Work\PartsController;
use App\Http\Controllers\Work\PictureController;
use App\Http\Controllers\Work\ProgressController;
use App\Http\Controllers\Work\SiteController;
use App\Http\Elsewhere;
use App\Planning\WorkCursor;
use Illuminate\Support\Facades\Route;

Route::prefix('api')->group(function (): void {
    Route::get('session', [SessionController::class, 'show']);
    Route::post('session', [SessionController::class, 'signIn']);
    Route::delete('session', [SessionController::class, 'signOut'])->middleware('auth');

    // Whoever holds the link.
    Route::middleware('throttle:60,1')->group(function (): void {
        Route::get('invitations/{token}', [InvitationController::class, 'show']);
        Route::post('invitations/{token}', [InvitationController::class, 'accept']);
    });

    Route::get('docs', [ContractController::class, 'page']);

    Route::middleware(['auth', 'at-work'])->group(function (): void {
        Route::get('docs.json', [ContractController::class, 'document']);
        Route::post('installations/{id}/open', [SessionController::class, 'open'])->where('id', Places::NUMBER);
        Route::get('installations', [InstallationController::class, 'index']);
        Route::post('installations', [InstallationController::class, 'store'])->middleware('office:installations');
        Route::post('arrivals', [ArrivalController::class, 'store'])->middleware('office:installations');
        // One's own.
        Route::get('arrivals', [ArrivalController::class, 'index']);
        Route::get('arrivals/{errand}', [ArrivalController::class, 'show']);
        Route::delete('arrivals/{errand}', [ArrivalController::class, 'callOff']);

        Route::put('session/name', [AccountController::class, 'name']);
        Route::put('session/password', [AccountController::class, 'password']);
        Route::put('session/notices', [NoticeController::class, 'choose']);
        Route::get('session/devices', [AccountController::class, 'devices']);
        Route::delete('session/devices/{device}', [AccountController::class, 'end']);

        Route::get('organisation', [OrganisationController::class, 'show']);
        Route::middleware('office:people')->group(function (): void {
            Route::put('organisation', [OrganisationController::class, 'rename']);
            Route::get('organisation/log', [OrganisationController::class, 'log']);
            Route::post('organisation/people', [OrganisationController::class, 'invite']);
            Route::patch('organisation/people/{person}', [OrganisationController::class, 'update']);
            Route::put('organisation/people/{person}/retired', [OrganisationController::class, 'retire']);
            Route::post('organisation/people/{person}/invitation', [OrganisationController::class, 'again']);
            Route::put('organisation/installations/{installation}/lead', [OrganisationController::class, 'lead']);
        });
    });

    // Everybody of the crew reads; who may write is said route by route.
    Route::prefix('i/{address}')
        ->middleware(['auth', 'at-work', 'installation', 'role:planner,bench,installer,tester,lead'])
        ->group(function (): void {
            Route::put('last', [SessionController::class, 'last'])->name('reads.last');
            Route::delete('membership', [CrewController::class, 'leave'])->name('reads.leave');
            Route::put('archived', [InstallationController::class, 'archive'])
                ->middleware('role:lead')
                ->name('reads.archived');
            Route::get('schedule', [ScheduleController::class, 'show'])->middleware('kept:record,people,revision');
            Route::get('schedule/views', [ViewController::class, 'index']);
            Route::put('schedule/views/{id}', [ViewController::class, 'keep'])->whereUuid('id');
            Route::delete('schedule/views/{id}', [ViewController::class, 'remove'])->whereUuid('id');
            Route::post('runs/table', [RunController::class, 'table'])->name('reads.runs-table');
            Route::get('schedule.csv', [CsvController::class, 'export'])->middleware([
                'exports:the schedule',
                'kept:milestones',
            ]);
            Route::get('installation.json', [FileController::class, 'export'])->middleware([
                'role:planner,lead',
                'exports:the installation as a file',
            ]);
            Route::get('find', FindController::class);
            Route::get('outstanding', OutstandingController::class);
            Route::get('guide', GuideController::class);
            Route::get('notices', [NoticeController::class, 'index']);
            Route::put('notices/read', [NoticeController::class, 'read'])->name('reads.notices');
            Route::get('progress', [ProgressController::class, 'show'])->middleware('kept:record,people,day');
            Route::get('progress/runs', [ProgressController::class, 'behind']);
            Route::get('since', SinceController::class);
            Route::get('errands', [ErrandController::class, 'index']);
            Route::get('errands/{errand}', [ErrandController::class, 'show']);
            // Who asked for it calls it off, or a lead: the controller asks.
            Route::delete('errands/{errand}', [ErrandController::class, 'callOff'])->name('reads.errands');
            Route::get('catalogue', [CatalogueController::class, 'show'])->middleware('kept');
            Route::get('types', [TypeController::class, 'index'])->middleware('kept');
            Route::get('types/procedure/{id}/record', [TypeController::class, 'record']);
            Route::get('types/{kind}/{id}', [TypeController::class, 'show'])->middleware('kept');
            Route::get('library', [LibraryController::class, 'index']);
            Route::get('plans/{id}.csv', [PlanController::class, 'csv'])->middleware(['exports:contact plan', 'kept']);
            Route::get('connectors/{id}', [PlanController::class, 'connector'])->middleware('kept');
            Route::get('equipment', [EquipmentController::class, 'index'])->middleware('kept');
            Route::get('rules', [RulesController::class, 'show'])->middleware('kept');
            Route::get('building', [BuildingController::class, 'show'])->middleware('kept');
            Route::get('building/walk', [WalkController::class, 'show'])->middleware('kept:milestones');
            Route::put('ways/{id}/measured', [WalkController::class, 'measured'])->middleware(
                'role:planner,installer,lead',
            );
            Route::get('building/fittings/{id}', [BuildingController::class, 'fittings'])->middleware('kept');
            Route::get('looms', [LoomController::class, 'index'])->middleware('kept');
            Route::get('looms/{id}', [LoomController::class, 'show'])->middleware('kept');
            Route::get('looms/{id}/formboard.pdf', [LoomController::class, 'formboard'])->middleware('kept:day');
            Route::get('looms/{id}/offsets.csv', [LoomController::class, 'offsets'])->middleware([
                'exports:offsets of loom',
                'kept',
            ]);
            Route::get('reach', [ReachController::class, 'index'])->middleware('kept');
            Route::get('reach/{id}', [ReachController::class, 'show'])->middleware('kept');
            Route::get('parts', [PartsController::class, 'show'])->middleware('kept:parts');
            Route::get('parts/needed', [PartsController::class, 'needed'])->middleware('kept:parts');
            Route::get('parts.csv', [PartsController::class, 'csv'])->middleware(['exports:the parts', 'kept:parts']);
            Route::get('parts/worth', [PartsController::class, 'worth'])->middleware('kept:parts');
            Route::middleware('role:planner,bench,lead')->group(function (): void {
                Route::put('reels', [SharedController::class, 'saveReel']);
                Route::delete('reels/{id}', [SharedController::class, 'removeReel']);
            });

            Route::get('colleagues', [CrewController::class, 'colleagues']);
            Route::get('crew/board', [CrewController::class, 'board'])->middleware('kept:seconds,told,people');
            Route::middleware('role:lead')->group(function (): void {
                Route::get('crew', [CrewController::class, 'index']);
                Route::post('crew', [CrewController::class, 'store']);
                Route::post('crew/given', [CrewController::class, 'give']);
                Route::delete('crew/given/{id}', [CrewController::class, 'take'])->where('id', Places::NUMBER);
                Route::patch('crew/{person}', [CrewController::class, 'update']);
                Route::delete('crew/{person}', [CrewController::class, 'end']);
                Route::put('workshop', [CrewController::class, 'workshop']);
                Route::get('crew/log', AuditController::class);
            });
            Route::put('testing', [InstrumentController::class, 'rules'])->middleware('role:planner,lead');

            Route::get('changes', [ChangeController::class, 'index']);
            Route::get('runs/{id}', [RunController::class, 'show']);
            Route::get('patterns', [PatternController::class, 'index'])->middleware('kept');
            Route::get('whys/{kind}/{of}', [WhyController::class, 'show']);
            Route::get('assemblies/{id}', [AssemblyController::class, 'show'])->middleware(['kept', 'near']);
            Route::get('assemblies/{id}/takes', [AssemblyController::class, 'takes'])->middleware(['kept', 'near']);
            Route::get('runs/{id}/sheet/{side}', [SheetController::class, 'show'])->middleware(['kept', 'near:beside']);
            Route::put('runs/{id}/ends/{side}/reach', [EndController::class, 'reach'])->middleware([
                'role:planner,bench,installer,lead',
                'near',
            ]);
            Route::get('runs/{id}/sheet/{side}/sheet.pdf', [SheetController::class, 'pdf'])->middleware([
                'kept:day',
                'near:beside',
            ]);
            Route::get('runs/{id}/sheet/{side}/sheet.svg', [SheetController::class, 'svg'])->middleware([
                'kept',
                'near:beside',
            ]);
            Route::get('runs/{id}/sheet/{side}/strip.svg', [SheetController::class, 'strip'])->middleware([
                'kept',
                'near:beside',
            ]);
            // Where work is done, the release counts.
            Route::middleware('released')->group(function (): void {
                Route::get('cutting', [CuttingController::class, 'show'])->middleware('kept:record,people,day');
                Route::get('cutting/cut-list.pdf', [CuttingController::class, 'pdf'])->middleware('kept:record,day');
                Route::get('bench', [BenchController::class, 'index'])->middleware('kept:jobs');
                Route::get('present', [BenchController::class, 'present']);
                Route::get('bench/{ids}', [BenchController::class, 'show']);
                Route::get('bench/{ids}/since/{cursor}', [BenchController::class, 'since'])->where(
                    'cursor',
                    Places::NUMBER,
                );
                Route::get('bench/{ids}/traveller.pdf', [BenchController::class, 'pdf'])->middleware(
                    'kept:record,people,day',
                );
                Route::get('bench/{ids}/rework', [BenchController::class, 'rework']);
                // Who may confirm what depends on the step: the recorder asks.
                Route::post('bench/{ids}/events', [BenchController::class, 'record']);
                Route::post('bench/{ids}/pictures', [PictureController::class, 'store']);
                Route::get('pictures/{name}', [PictureController::class, 'show'])->where(
                    'name',
                    '[0-9a-f]{64}\.(jpg|png|webp)',
                );

                Route::get('labels', [LabelController::class, 'index'])->middleware('kept:told,people,roll');
                Route::get('labels/shown', [LabelController::class, 'shown'])->middleware('kept:told,people,roll');
                Route::get('labels.pdf', [LabelController::class, 'pdf'])->middleware('kept:told,people,roll,day');
                Route::get('labels.svg', [LabelController::class, 'svg'])->middleware('kept:told,people,roll');
                Route::get('labels.csv', [LabelController::class, 'csv'])->middleware([
                    'exports:the labels',
                    'kept:told,people,roll',
                ]);
                Route::get('roll-printer/printed/{number}.svg', [LabelController::class, 'picture'])->where(
                    'number',
                    Places::NUMBER,
                );
                Route::get('labels/test-page.pdf', [LabelController::class, 'test']);
                Route::middleware('role:planner,bench,installer,lead')->group(function (): void {
                    Route::post('labels/printed', [LabelController::class, 'mark']);
                    Route::post('roll-printer/labels', [LabelController::class, 'roll']);
                    Route::put('roll-printer/roll', [LabelController::class, 'load']);
                    Route::delete('roll-printer/labels', [LabelController::class, 'cancel']);
                });

                Route::get('tests/progress', [TestController::class, 'progress']);
                Route::get('instruments', [InstrumentController::class, 'index'])->middleware('kept:day');
                Route::post('runs/{id}/message', [InstrumentController::class, 'message'])->name('reads.runs-message');
                Route::get('trainer', [TrainerController::class, 'show']);
                Route::post('trainer', [TrainerController::class, 'start'])->name('reads.trainer');
                Route::post('trainer/measure', [TrainerController::class, 'measure'])->name('reads.trainer-measure');
                Route::post('trainer/name', [TrainerController::class, 'name'])->name('reads.trainer-name');
                Route::middleware('role:tester,lead')->group(function (): void {
                    Route::put('instruments', [SharedController::class, 'saveInstrument']);
                    Route::delete('instruments/{id}', [SharedController::class, 'removeInstrument']);
                    Route::post('tests/card', [InstrumentController::class, 'card']);
                    Route::post('runs/{id}/mend', [InstrumentController::class, 'mend']);
                    Route::get('simulators/assemblies/{id}', [SimulatorController::class, 'faults']);
                    Route::put('simulators/assemblies/{id}', [SimulatorController::class, 'inject']);
                    Route::post('simulators/instruments/{kind}/measure', [SimulatorController::class, 'measure']);
                    Route::get('simulators/certifier.csv', [SimulatorController::class, 'card']);
                });
                Route::get('runs/{id}/test', [TestController::class, 'show']);
                Route::get('runs/{id}/coverage', [TestController::class, 'coverage'])->middleware('kept');
                Route::post('runs/{id}/test', [TestController::class, 'judge'])->name('reads.judge');
                // Which role an event needs depends on its kind: the controller asks.
                Route::post('events', [EventController::class, 'store']);
                Route::get('site', [SiteController::class, 'show'])->middleware('kept:milestones');
                Route::get('site/since/{cursor}', [SiteController::class, 'since'])->where(
                    'cursor',
                    WorkCursor::PATTERN,
                );
                Route::get('handover', [HandoverController::class, 'show'])->middleware('kept:record,people');
                Route::get('packs', [PackController::class, 'index']);
                // A pack names everybody who worked on it.
                Route::middleware('role:planner,tester,lead')->group(function (): void {
                    Route::get('packs/{number}.zip', [PackController::class, 'zip'])
                        ->where('number', Places::NUMBER)
                        ->middleware('exports:pack');
                    Route::get('packs/{number}/check', [PackController::class, 'check'])->where(
                        'number',
                        Places::NUMBER,
                    );
                    Route::get('packs/{number}/{name}', [PackController::class, 'file'])
                        ->where('number', Places::NUMBER)
                        ->where('name', '[A-Za-z0-9][A-Za-z0-9._-]*')
                        ->middleware('exports:of pack');
                });
                Route::post('packs', [PackController::class, 'store'])->middleware('role:planner,lead');
                Route::post('packs/{number}/signatures', [PackController::class, 'sign'])
                    ->where('number', Places::NUMBER)
                    ->middleware('role:planner,tester,lead');
                Route::get('service', [ServiceController::class, 'show'])->middleware('kept:milestones,people,day');
                Route::get('service/circuits', [ServiceController::class, 'circuits']);
                Route::get('service/circuits/{id}', [ServiceController::class, 'circuit'])->middleware('kept');
                Route::get('overtaken', [OvertakenController::class, 'index'])->middleware('kept:record,people');
                Route::get('overtaken/{id}', [OvertakenController::class, 'show'])->middleware('kept:record,people');
                Route::post('overtaken/{id}', [OvertakenController::class, 'record'])->middleware(
                    'role:planner,bench,installer,lead',
                );
            });
            Route::get('releases', [ReleaseController::class, 'index']);
            Route::get('releases/{one}/compare/{other}', [ReleaseController::class, 'compare'])->where([
                'one' => '[A-Z]+',
                'other' => '[A-Z]+|now',
            ]);
            Route::get('releases/{letter}/{what}.json', [ReleaseController::class, 'document'])
                ->where(['letter' => '[A-Z]+', 'what' => 'plan|installation'])
                ->middleware('exports:release');
            Route::middleware('role:planner,lead')->group(function (): void {
                Route::post('templates', TemplateController::class)
                    ->middleware('office:installations')
                    ->name('reads.templates');
                Route::get('releases/preview', [ReleaseController::class, 'preview'])->middleware('kept:record,people');
                Route::post('releases', [ReleaseController::class, 'store']);
                Route::get('drafts', [DraftController::class, 'index']);
                Route::get('drafts/{id}', [DraftController::class, 'impact'])->where('id', Places::NUMBER);
                Route::post('drafts/{id}', [DraftController::class, 'accept'])->where('id', Places::NUMBER);
                Route::delete('drafts/{id}', [DraftController::class, 'destroy'])->where('id', Places::NUMBER);
                Route::get('places/{id}/leeway', [BuildingController::class, 'leeway'])->middleware('kept:record');
                Route::post('places/{id}/move', [BuildingController::class, 'move']);
                Route::post('runs', [RunController::class, 'store']);
                Route::post('runs/lines', [RunController::class, 'storeAll']);
                Route::post('runs/quick', [RunController::class, 'quick'])->name('reads.runs-quick');
                Route::patch('runs', [RunController::class, 'bulk']);
                Route::get('fits', [RunController::class, 'fits'])->middleware('kept');
                Route::post('runs/propose', [RunController::class, 'propose'])->name('reads.runs-propose');
                Route::post('patterns/try', [PatternController::class, 'try'])->name('reads.patterns-try');
                Route::post('patterns', [PatternController::class, 'make']);
                Route::post('assemblies/{id}/try', [AssemblyController::class, 'try'])->name('reads.assemblies-try');
                Route::post('assemblies/{id}/gestures', [AssemblyController::class, 'make']);
                Route::put('assemblies/{id}/checked', [AssemblyController::class, 'check']);
                Route::put('whys/{kind}/{of}', [WhyController::class, 'say']);
                Route::post('whys/{kind}/{of}', [WhyController::class, 'picture']);
                Route::patch('runs/{id}', [RunController::class, 'update'])->middleware('near');
                Route::post('runs/{id}/duplicate', [RunController::class, 'duplicate']);
                Route::put('runs/{id}/ends/{side}/procedure', [EndController::class, 'procedure'])->middleware('near');
                Route::put('runs/{id}/ends/{side}/sleeve', [EndController::class, 'sleeve'])->middleware('near');
                Route::put('runs/{id}/ends/{side}/rule', [EndController::class, 'answers'])->middleware('near');
                Route::put('runs/{id}/ends/{side}/joint', [EndController::class, 'except'])->middleware('near:to');
                Route::delete('runs/{id}', [RunController::class, 'destroy'])->middleware('near');
                Route::post('changes/{id}/undo', [ChangeController::class, 'undo'])->where('id', Places::NUMBER);
                Route::post('types/{kind}/preview', [TypeController::class, 'preview'])->name('reads.types-preview');
                Route::post('types/{kind}/draw', [TypeController::class, 'draw'])->name('reads.types-draw');
                Route::post('types/procedure/try', [TypeController::class, 'try'])->name('reads.types-try');
                Route::put('types/{kind}', [TypeController::class, 'save']);
                Route::delete('types/{kind}/{id}', [TypeController::class, 'remove']);
                Route::post('library/{kind}/{id}/taken', [LibraryController::class, 'take']);
                Route::put('library/{kind}/{id}', [LibraryController::class, 'put']);
                Route::delete('library/{kind}/{id}', [LibraryController::class, 'remove'])->middleware(
                    'office:installations',
                );
                Route::post('plans/lay', [PlanController::class, 'lay'])->name('reads.plans-lay');
                Route::post('plans/check', [PlanController::class, 'check'])->name('reads.plans-check');
                Route::post('plans/table', [PlanController::class, 'table'])->name('reads.plans-table');
                Route::put('equipment', [EquipmentController::class, 'save']);
                Route::delete('equipment/{id}', [EquipmentController::class, 'remove']);
                Route::put('matings', [EquipmentController::class, 'plug']);
                Route::patch('circuits/{id}', [CircuitController::class, 'update']);
                Route::post('rules/preview', [RulesController::class, 'preview'])->name('reads.rules-preview');
                Route::patch('fittings/{id}', [FittingController::class, 'update']);
                Route::put('rules', [RulesController::class, 'rules']);
                Route::put('shared/{kind}', [SharedController::class, 'save']);
                Route::delete('shared/{kind}/{id}', [SharedController::class, 'remove']);
                Route::put('building/map', [BuildingController::class, 'tidy']);
                Route::post('building/preview', [BuildingController::class, 'preview'])->name('reads.building-preview');
                Route::post('looms', [LoomController::class, 'store']);
                Route::post('looms/{id}/preview', [LoomController::class, 'preview'])->name('reads.looms-preview');
                Route::put('economy', [PartsController::class, 'economy']);
                Route::post('labels/preview', [LabelController::class, 'preview'])->name('reads.labels-preview');
                Route::put('labels/scheme', [LabelController::class, 'save']);
                Route::get('runs-template.csv', [CsvController::class, 'template']);
                Route::post('import/preview', [CsvController::class, 'preview'])->name('reads.import-preview');
                Route::post('import', [CsvController::class, 'import']);
            });
        });
    // Pages of the first version named no installation in their addresses.
    Route::any('{earlier}', static fn () => throw Elsewhere::earlier())
        ->where(
            'earlier',
            'schedule.*|runs.*|bench.*|events|site|test.*|labels.*|outstanding|find|instruments.*|crew.*|overtaken.*',
        )
        ->middleware('auth');
    Route::any('{any}', static fn () => abort(404, 'There is nothing at this address.'))->where('any', '.*');
});

// Everything else is the one page; the browser routes from there.
Route::view('{any}', 'app')->where('any', '.*');
