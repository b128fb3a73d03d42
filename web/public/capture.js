// Hands what a microphone hears on to the page, block by block. Runs on the audio thread (Web Audio API, AudioWorklet).
class Capture extends AudioWorkletProcessor {
    process([input]) {
        if (input.length > 0) this.port.postMessage(input[0].slice())
        return true
    }
}
registerProcessor('capture', Capture)
