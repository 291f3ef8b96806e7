// Included before the sources of better-sqlite3. From Node.js 24.19 on, node::ObjectWrap registers a cleanup hook for every
// object and takes it away in its destructor, which the garbage collector may call without a context; Node.js then aborts.
// The objects of better-sqlite3 are cleaned up by a hook of its own, so the one for each object is left out.
#include <node.h>
#define AddEnvironmentCleanupHook(isolate, hook, object) ((void)0)
#define RemoveEnvironmentCleanupHook(isolate, hook, object) ((void)0)
#include <node_object_wrap.h>
#undef AddEnvironmentCleanupHook
#undef RemoveEnvironmentCleanupHook
