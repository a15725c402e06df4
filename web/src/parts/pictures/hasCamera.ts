/** Whether this page may ask for a camera: over https, or on this machine. */
export const hasCamera = (): boolean => typeof navigator.mediaDevices?.getUserMedia === 'function';
