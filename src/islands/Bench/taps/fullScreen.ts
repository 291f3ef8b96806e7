export function toggleFullScreen(): void {
  void (document.fullscreenElement ? document.exitFullscreen() : document.documentElement.requestFullscreen());
}
