<?php

use App\Console\Clock;
use App\Http\Controllers\MetricsController;
use App\Http\Controllers\UpController;
use App\Http\Middleware\KnownKeys;
use App\Http\Middleware\ReadableText;
use App\Http\Middleware\SecurityHeaders;
use App\Http\Middleware\StandingSignIn;
use App\Http\Middleware\Watched;
use App\Support\Away;
use App\Support\Conflicted;
use App\Support\TooMany;
use App\Support\Transaction;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Auth\Middleware\Authorize;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Request;
use Illuminate\Routing\Middleware\SubstituteBindings;
use Illuminate\Support\Facades\Route;
use Illuminate\Validation\ValidationException;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Errors\ModelFailure;
use MintCarry\Core\Errors\UnreadableFile;
use Symfony\Component\ErrorHandler\Error\FatalError;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;

$app = Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        web: __DIR__.'/../routes/web.php', api: __DIR__.'/../routes/api.php', then: static function (): void {
            Route::get('/up', UpController::class);
            Route::get('/metrics', MetricsController::class);
        },
    )
    ->withMiddleware(function (Middleware $middleware): void {
        // The application is same-origin: no CORS (and no package for it, see compat/).
        $middleware->remove(HandleCors::class);
        $middleware->append(SecurityHeaders::class);
        $middleware->prepend(Watched::class);
        // Who is there at all comes before what is asked for.
        $middleware->prependToPriorityList(SubstituteBindings::class, StandingSignIn::class);
        // Whose it is comes before what was said.
        $middleware->appendToPriorityList(Authorize::class, KnownKeys::class);
        $middleware->appendToPriorityList(KnownKeys::class, ReadableText::class);
        $middleware->redirectGuestsTo('/');
    })
    ->withSchedule(Clock::schedule(...))
    ->withExceptions(function (Exceptions $exceptions): void {
        $exceptions->shouldRenderJsonWhen(fn (Request $request): bool => $request->is('api/*'));
        $exceptions->dontReport([InvalidInput::class, UnreadableFile::class]);
        // A fault of ours is logged with what was being computed, and named by a reference that the person can quote.
        $exceptions->context(
            fn (Throwable $e): array => $e instanceof ModelFailure ? ['computing' => $e->computing, 'reference' => $e->reference()] : [],
        );
        $exceptions->render(
            fn (ModelFailure $e, Request $request) => response()->json(['message' => $e->line(), 'reference' => $e->reference()], 500),
        );
        $exceptions->render(function (InvalidInput|UnreadableFile $e, Request $request) {
            $field = $e instanceof InvalidInput ? $e->field : 'file';

            return response()->json(['message' => $e->getMessage(), 'errors' => (object) [$field => [$e->getMessage()]]], 422);
        });
        // Somebody else was quicker, at every try: no fault of ours and none of theirs.
        $exceptions->render(fn (Conflicted|PDOException $e, Request $request) => Transaction::isConflict($e)
            ? response()->json(['message' => Conflicted::SAYS], 409, ['Retry-After' => '1'])
            : null);
        $exceptions->render(fn (PDOException $e, Request $request) => Away::isMeant($e) ? Away::answer($e) : null);
        // Judging has its time (Heavy); what takes longer is answered, and not waited for.
        $exceptions->render(fn (FatalError $e, Request $request) => str_contains($e->getMessage(), 'Maximum execution time')
            ? response()->json(['message' => sprintf(
                'This took longer than %d s and was given up. Nothing was changed. To judge, leave out what need not be compared (setups parked, '
                    .'shots left out); of a file, export fewer shots.',
                (int) config('mintcarry.judging.seconds'),
            )], 503)
            : null);
        // By field, also where a field has no name or a number for one.
        $exceptions->render(function (ValidationException $e, Request $request) {
            return $request->is('api/*')
                ? response()->json(['message' => $e->getMessage(), 'errors' => (object) $e->errors()], $e->status)
                : null;
        });
        $exceptions->render(function (AuthenticationException $e, Request $request) {
            return response()->json(['message' => 'You are signed out. Sign in again; what you typed is still on this screen.'], 401);
        });
        $exceptions->render(function (HttpExceptionInterface $e, Request $request) {
            $plain = match ($e->getStatusCode()) {
                404 => 'There is nothing here under this address, or it belongs to another studio.',
                419 => 'This page was open too long. Reload it; what you typed is still on this screen.',
                429 => TooMany::says($request, (int) ($e->getHeaders()['Retry-After'] ?? 60)),
                default => null,
            };

            return $request->is('api/*') && $plain !== null
                ? response()->json(['message' => $plain], $e->getStatusCode(), $e->getHeaders())
                : null;
        });
    })->create();

// Everything that is written at run time lives under var/. Tests have a folder of their own: who runs them may be root, and root runs
// nothing that the workers could have written.
$app->useEnvironmentPath(dirname(__DIR__).'/var');
$app->useStoragePath(dirname(__DIR__).'/var/'.(getenv('MINT_STORAGE') === 'tests' ? 'tests' : 'storage'));

return $app;
